import {
  buttons,
  eyebrow,
  fine,
  form,
  heading,
  lead,
  list,
  minor,
  page,
  para,
  picture,
  section,
  table,
  title,
} from '../build.ts';

/** Vehicles and freight. */
export const freight = page(
  'freight',
  'Vehicles and freight',
  'Cars, vans, long loads and everything that comes in crates.',
  [
    section('frt-opener', 'Hero', 'paper', 'even', [
      [
        eyebrow('On four wheels or in a crate'),
        title('Vehicles and freight'),
        lead('If it fits between the rails, it goes. If it does not, ask; it may go on Thursday.'),
        buttons(['Book space', 'contact'], ['Measure first', '#frt-lengths', 'secondary']),
      ],
      [picture('deck', 'Crates standing on the pier beside the boat')],
    ]),
    section('frt-lengths', 'Lengths', 'white', 'even', [
      [
        heading('Lengths and heights'),
        para('Measured with everything on it: bicycles, boxes and the tow bar.'),
        table(
          'What counts as what',
          ['Kind', 'Longest', 'Highest', 'Heaviest', 'Book ahead'],
          [
            ['Motorcycle', '2.4 m', 'any', '400 kg', 'no'],
            ['Small car', '4.5 m', '2.0 m', '2 t', 'a day'],
            ['Large car', '5.2 m', '2.0 m', '2.6 t', 'a day'],
            ['Van', '6.0 m', '2.6 m', '3.5 t', 'two days'],
            ['Lorry', '9.5 m', '3.8 m', '16 t', 'a week'],
            ['Long load', '14 m', '3.8 m', '20 t', 'a week, Thursdays'],
            ['Boat on a trailer', '8.0 m', '3.0 m', '3 t', 'three days'],
            ['Horsebox', '7.5 m', '3.0 m', '5 t', 'three days'],
          ],
        ),
      ],
    ]),
    section('frt-long', 'Long loads', 'fog', 'even', [
      [
        eyebrow('Thursdays'),
        heading('Long loads'),
        para(
          'Measure your vehicle before you book. Long loads go on the Thursday boat, when the car deck is cleared to the second hatch.',
        ),
        buttons(['Book space', 'contact']),
      ],
      [
        minor('Bring with you'),
        list([
          'The papers of whatever is loaded.',
          'Two people who can handle a strap.',
          'A telephone that is switched on.',
        ]),
        fine('We may refuse a load in a south-westerly above force six.'),
      ],
    ]),
    section('frt-post', 'Parcels', 'white', 'close', [
      [
        heading('Parcels and post'),
        para(
          'Leave it at the weighbridge by half past eight and it is across by noon. Bread, flowers and medicine go in the wheelhouse.',
        ),
        para('Up to ten kilos: three crowns. Up to thirty: seven. Heavier things travel as freight.'),
      ],
      [
        heading('Ask for a price'),
        form(
          'Send',
          ['What is it?', 'text', 'A piano, for example'],
          ['Weight in kilos', 'text'],
          ['Where to', 'select', '', ['Aldersay', 'Holm', 'Skarra', 'Outer Ness']],
        ),
      ],
    ]),
    'promise',
    'questions',
  ],
);
