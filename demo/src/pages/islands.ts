import { buttons, cards, eyebrow, figures, heading, lead, page, para, picture, section, title } from '../build.ts';

/** The islands, one after the other. */
export const islands = page(
  'islands',
  'Islands',
  'Aldersay, Holm, Skarra and the Outer Ness: what you find when you step ashore.',
  [
    section(
      'isl-opener',
      'Hero',
      'ink',
      'airy',
      [[title('Four islands'), lead('Each one its own weather.'), buttons(['Plan a day out', 'sailings'])]],
      { picture: { asset: 'four-islands', shade: 0.15 } },
    ),
    section('isl-cards', 'At a glance', 'white', 'even', [
      [
        heading('At a glance'),
        cards('fog', 4, [
          {
            heading: 'Aldersay',
            text: 'A harbour, a shop, a lighthouse you may climb.',
            picture: ['aldersay', 'A green island with a white lighthouse'],
            link: ['Sailings', 'sailings'],
          },
          {
            heading: 'Holm',
            text: 'Sheep, sand and the only bakery within forty miles.',
            picture: ['holm', 'A low sandy island under a pale sky'],
            link: ['Sailings', 'sailings'],
          },
          {
            heading: 'Skarra',
            text: 'Cliffs, a school of nine and very good walking.',
            picture: ['skarra', 'Dark cliffs rising out of the sea'],
            link: ['Sailings', 'sailings'],
          },
          {
            heading: 'Outer Ness',
            text: 'Birds in summer, three houses in winter.',
            picture: ['outer-ness', 'A flat headland at sunset with a small light'],
            link: ['Sailings', 'sailings'],
          },
        ]),
      ],
    ]),
    section('isl-aldersay', 'Aldersay', 'white', 'close', [
      [picture('aldersay', 'Aldersay seen from the boat, lighthouse to the right')],
      [
        eyebrow('Forty minutes'),
        heading('Aldersay'),
        para(
          'You are ashore before your tea is cold. The shop sells rope, rice and postcards, and lends out binoculars against a boot.',
        ),
        para('Climb the light on Sundays: **ninety-one steps**, and the whole run of the coast at the top.'),
      ],
    ]),
    section('isl-holm', 'Holm', 'paper', 'close', [
      [
        eyebrow('Fifty-five minutes'),
        heading('Holm'),
        para(
          'Two miles of sand that squeaks. The bakery opens when the boat blows, and is sold out by the time it leaves.',
        ),
        buttons(['Boats to Holm', 'sailings', 'secondary']),
      ],
      [picture('holm', 'The long beach of Holm at low water')],
    ]),
    section('isl-skarra', 'Skarra', 'white', 'close', [
      [picture('skarra', 'The cliffs of Skarra in grey light')],
      [
        eyebrow('An hour and a half'),
        heading('Skarra'),
        para(
          'The path goes round in five hours, if you do not stop. You will stop. Ask at the school for the key of the old chapel.',
        ),
      ],
    ]),
    section('isl-ness', 'Outer Ness', 'fog', 'close', [
      [
        eyebrow('Two hours and a quarter'),
        heading('The Outer Ness'),
        para(
          'No ramp, no road, no shop. Bring what you eat and take back what you brought. [Tell us before you go](contact), so that we know whom to fetch.',
        ),
      ],
      [figures(['3', 'houses lit in winter'], ['11 000', 'pairs of terns in May'], ['1', 'telephone, by the slip'])],
    ]),
    'weather',
    'questions',
  ],
);
