import { buttons, cards, eyebrow, heading, lead, list, minor, page, para, section, table, title } from '../build.ts';

/** Travelling with assistance. */
export const assistance = page(
  'assistance',
  'Travelling with assistance',
  'Getting on, along and off with a chair, a stick, a dog or a pram.',
  [
    section('ast-opener', 'Hero', 'dusk', 'even', [
      [
        eyebrow('Everybody aboard'),
        title('Travelling with assistance'),
        lead(
          'Tell us a day ahead and somebody waits for you at the pier. Come without telling, and somebody still does.',
        ),
        buttons(['Tell us you are coming', 'contact']),
      ],
    ]),
    section('ast-help', 'What we do', 'white', 'even', [
      [
        heading('What we do'),
        cards('paper', 3, [
          {
            heading: 'Getting on',
            text: 'A ramp with no step at Pier 1 and Pier 2. At Holm the slope changes with the tide; the crew has a chair with good brakes.',
          },
          {
            heading: 'On board',
            text: 'A lift from the car deck, four places for chairs in the saloon, and a quiet room without an engine under it.',
          },
          {
            heading: 'Getting off',
            text: 'You go first, if you like, or last, if you like that better. Bags go where you go.',
          },
        ]),
      ],
    ]),
    section('ast-piers', 'The piers', 'white', 'close', [
      [
        heading('The piers, one by one'),
        table(
          'Steps, slopes and seats',
          ['Pier', 'Steps', 'Steepest slope', 'Seat under cover', 'Toilet'],
          [
            ['Ternhaven 1', 'none', '1 in 14', 'yes', 'yes, with rails'],
            ['Ternhaven 2', 'none', '1 in 12', 'yes', 'on Pier 1'],
            ['Aldersay', 'none', '1 in 12', 'yes', 'in the shop'],
            ['Holm', 'none', '1 in 8 at low water', 'no', 'at the bakery'],
            ['Skarra', 'none', '1 in 10', 'yes', 'at the school'],
            ['Outer Ness', '22', 'by chair hoist', 'no', 'none'],
          ],
        ),
      ],
    ]),
    section('ast-animals', 'Animals', 'fog', 'close', [
      [
        eyebrow('On four legs'),
        heading('Animals on board'),
        para(
          'Assistance dogs go everywhere, the wheelhouse included. Other dogs keep to the aft deck and, in rain, the after saloon.',
        ),
      ],
      [
        minor('Please'),
        list([
          'Keep leads short on the ramp.',
          'Cats travel in baskets, hens in crates.',
          'Ask before you stroke the ship’s dog. She bites.',
        ]),
        buttons(['Ask about an animal', 'contact', 'secondary']),
      ],
    ]),
    'questions',
  ],
);
