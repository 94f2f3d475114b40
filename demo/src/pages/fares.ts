import { buttons, cards, eyebrow, heading, lead, list, minor, page, para, section, table, title } from '../build.ts';

/** Fares: one price whenever you book. */
export const fares = page('fares', 'Fares', 'What a crossing costs, on foot, by bicycle, by car or by van.', [
  section('fares-opener', 'Hero', 'deep', 'even', [
    [title('Fares'), lead('One price whenever you book. Islanders travel at half fare.')],
  ]),
  section('fares-three', 'Three fares', 'white', 'even', [
    [
      heading('Three ways across'),
      cards('paper', 3, [
        {
          heading: 'On foot',
          text: 'Eight crowns, any day, any island but the Outer Ness.',
          button: ['Buy', 'contact'],
        },
        {
          heading: 'Small car',
          text: 'Twenty-six crowns with its driver, up to four and a half metres.',
          button: ['Buy', 'contact'],
        },
        {
          heading: 'Van',
          text: 'Forty-one crowns with its driver, up to six metres and two metres sixty high.',
          button: ['Buy', 'contact'],
        },
      ]),
    ],
  ]),
  section('fares-half', 'Half fare', 'fog', 'close', [
    [
      eyebrow('For islanders'),
      heading('Half fare'),
      para('For islanders, carers and anyone under sixteen. Show your card at the pier and keep it for the way back.'),
      buttons(['Read the notice', 'notices', 'secondary']),
    ],
  ]),
  section('fares-table', 'All fares', 'white', 'even', [
    [
      heading('All fares, in crowns'),
      table(
        'Single crossings',
        ['Who or what', 'Aldersay', 'Holm', 'Skarra', 'Outer Ness'],
        [
          ['Adult on foot', '8', '8', '8', '14'],
          ['Under sixteen', '4', '4', '4', '7'],
          ['Under five', 'free', 'free', 'free', 'free'],
          ['Bicycle', '2', '2', '3', '3'],
          ['Motorcycle and rider', '15', '15', '18', 'no ramp'],
          ['Small car and driver', '26', '26', '32', 'no ramp'],
          ['Large car and driver', '33', '33', '39', 'no ramp'],
          ['Van and driver', '41', '41', '52', 'by crane'],
          ['Trailer, per metre', '6', '6', '7', 'no ramp'],
        ],
      ),
    ],
  ]),
  section('fares-books', 'Ticket books', 'paper', 'close', [
    [
      eyebrow('Often on board?'),
      heading('Books of ten'),
      para(
        'Ten crossings for the price of eight, to any of the three near islands. Share them with whoever is beside you in the queue.',
      ),
    ],
    [
      minor('Where to get one'),
      list([
        'From the purser, on board.',
        'At the [harbour office](contact), Pier 1.',
        'From the pier shop on Aldersay.',
      ]),
      buttons(['Order a book', 'contact']),
    ],
  ]),
  'questions',
]);
