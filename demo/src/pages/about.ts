import {
  buttons,
  cards,
  eyebrow,
  figures,
  heading,
  lead,
  list,
  minor,
  page,
  para,
  picture,
  quote,
  section,
  title,
} from '../build.ts';

/** About: the line and its people. */
export const about = page('about', 'About', 'A small line between four islands, and the people who keep it running.', [
  section(
    'abt-opener',
    'Hero',
    'deep',
    'airy',
    [
      [
        eyebrow('Since the mail went by oar'),
        title('A small line'),
        lead('One boat, two piers, four islands and seven people who know the way in the dark.'),
      ],
    ],
    { picture: { asset: 'harbour', shade: 0.6 } },
  ),
  section('abt-figures', 'In figures', 'white', 'close', [
    [
      heading('In figures'),
      figures(
        ['3 100', 'crossings a year'],
        ['96 in 100', 'on time within ten minutes'],
        ['22', 'cars on the deck'],
        ['140', 'people in all weathers'],
      ),
    ],
  ]),
  section('abt-people', 'People', 'paper', 'even', [
    [
      heading('Who takes you across'),
      cards('white', 3, [
        {
          heading: 'Maren Oakley',
          text: 'Master. Learnt the Skarra sound from her grandmother, who did it without an engine.',
        },
        {
          heading: 'Tobin Farrow',
          text: 'Mate. Says little, ties well. Keeps the tide tables in his head and on his forearm.',
        },
        { heading: 'Isla Renn', text: 'Engineer. Has rebuilt both engines, one of them at sea.' },
        { heading: 'Joss Tarrant', text: 'Purser. Knows every dog by name and most people by sight.' },
        { heading: 'Wen Adair', text: 'Deck. Can turn a lorry in a space that is shorter than it.' },
        { heading: 'Perrin Holt', text: 'Harbour office. The voice on the telephone, and the hand on the rope.' },
      ]),
    ],
  ]),
  section('abt-boat', 'The boat', 'white', 'even', [
    [
      picture(
        'crew',
        'The Sandpiper seen from astern',
        'wide',
        'The Sandpiper leaving Ternhaven, from the end of the long pier.',
      ),
    ],
    [
      heading('The Sandpiper'),
      para(
        'Built for another coast, bought for a song, lengthened for good. She burns a third less than she did and still blows the same note.',
      ),
      minor('Her measures'),
      list([
        'Fifty-one metres long, eleven wide.',
        'Two engines, one spare propeller on the pier.',
        'A bell from the boat before her.',
      ]),
      quote('She rolls, but she has never once been late for a wedding.', 'Joss Tarrant, purser'),
    ],
  ]),
  section('abt-private', 'What we keep', 'fog', 'close', [
    [
      eyebrow('Plainly'),
      heading('What we keep about you'),
      para(
        'Your name and number until you are across, and not a day longer. We have nobody to sell them to and would not if we had.',
      ),
    ],
    [
      minor('Ask to see it'),
      para('Write to the office and we send you all we hold, usually nothing, on one page.'),
      buttons(['Write to us', 'contact']),
    ],
  ]),
  'questions',
]);
