import { buttons, cards, eyebrow, heading, lead, page, para, picture, section, table, text } from '../build.ts';

/** Home: the slow road over the water. */
export const home = page(
  'home',
  'Home',
  'Boats between Ternhaven, Aldersay, Holm, Skarra and the Outer Ness, every day of the year.',
  [
    section(
      'home-opener',
      'Hero',
      'deep',
      'airy',
      [
        [
          eyebrow('Four islands, every day'),
          text('display', 'The slow road over the water', 1),
          lead('Boats to Aldersay, Holm, Skarra and the Outer Ness, with room for you, your bicycle and the post.'),
          buttons(['Book a crossing', 'sailings'], ['See today’s sailings', 'sailings', 'secondary']),
        ],
      ],
      { picture: { asset: 'sea-sky', shade: 0.35 } },
    ),
    section('home-board', 'Leaving soon', 'paper', 'even', [
      [
        eyebrow('From Ternhaven'),
        heading('Leaving soon'),
        table(
          'The next boats out',
          ['Leaves', 'For', 'Pier', 'Room for cars'],
          [
            ['09:40', 'Aldersay', 'Pier 2', '11 left'],
            ['10:15', 'Holm', 'Pier 1', '4 left'],
            ['11:05', 'Skarra', 'Pier 2', 'Full'],
            ['12:30', 'Outer Ness', 'Pier 2', 'On foot only'],
            ['13:10', 'Aldersay', 'Pier 2', '16 left'],
            ['14:45', 'Holm', 'Pier 1', '9 left'],
          ],
        ),
        buttons(['All sailings', 'sailings', 'secondary']),
      ],
    ]),
    section('home-know', 'Know before you sail', 'white', 'even', [
      [
        heading('Know before you sail'),
        lead('Low water may move the pier, and the boat does not wait for the car that is still on the wrong one.'),
        cards('fog', 3, [
          {
            heading: 'Tides',
            text: 'The board by the harbour office says which pier, and changes an hour before low water.',
            link: ['Read how it works', 'sailings'],
          },
          {
            heading: 'Dogs',
            text: 'Welcome on the aft deck, on a lead, and in the saloon when it rains. They travel free.',
            link: ['Animals on board', 'assistance'],
          },
          {
            heading: 'Bicycles',
            text: 'They go aboard first and come off last. Leave the bags on; we have hooks for the rest.',
            link: ['Bicycles and trailers', 'freight'],
          },
        ]),
      ],
    ]),
    section('home-story', 'One boat', 'white', 'close', [
      [picture('crew', 'The ferry seen from astern, red funnel against a grey sea')],
      [
        heading('One boat, built twice'),
        para(
          'The *Sandpiper* was cut in half in her tenth winter and given eleven metres more. She carries **twenty-two cars**, one hundred and forty people and, on Thursdays, the bread for four islands.',
        ),
        para('Her crew of seven live on the islands they sail to. [Meet them](about).'),
      ],
    ]),
    'weather',
    'promise',
    'questions',
  ],
);
