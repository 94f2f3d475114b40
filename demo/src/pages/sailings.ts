import { buttons, eyebrow, fine, heading, lead, list, minor, page, para, section, table, title } from '../build.ts';

const head = ['Leaves', 'Arrives', 'Pier', 'Days', 'Cars'];

/** The timetable, a table for each crossing. */
export const sailings = page('sailings', 'Sailings', 'Winter timetable of all crossings from Ternhaven.', [
  section('sail-opener', 'Hero', 'paper', 'even', [
    [
      eyebrow('Winter timetable'),
      title('Sailings'),
      lead('From the first Monday of November until the last Sunday of March. Times are local, and tide permitting.'),
      buttons(['Book a crossing', 'contact'], ['Print the timetable', '#sail-aldersay', 'secondary']),
    ],
  ]),
  section('sail-aldersay', 'Aldersay', 'white', 'close', [
    [
      heading('Ternhaven to Aldersay'),
      para('Forty minutes, sheltered all the way. The pier shop opens for every boat.'),
      table('Boats to Aldersay', head, [
        ['06:50', '07:30', 'Pier 1', 'Monday to Saturday', 'Yes'],
        ['09:40', '10:20', 'Pier 2', 'Every day', 'Yes'],
        ['13:10', '13:50', 'Pier 2', 'Every day', 'Yes'],
        ['16:30', '17:10', 'Pier 2', 'Every day', 'Yes'],
        ['19:15', '19:55', 'Pier 1', 'Friday and Sunday', 'Yes'],
      ]),
    ],
  ]),
  section('sail-holm', 'Holm', 'white', 'close', [
    [
      heading('Ternhaven to Holm'),
      para('Fifty-five minutes. At low springs the boat uses the outer ramp, which is steep for trailers.'),
      table('Boats to Holm', head, [
        ['07:20', '08:15', 'Pier 1', 'Monday to Friday', 'Yes'],
        ['10:15', '11:10', 'Pier 1', 'Every day', 'Yes'],
        ['14:45', '15:40', 'Pier 1', 'Every day', 'Yes'],
        ['17:50', '18:45', 'Pier 1', 'Every day', 'Yes'],
      ]),
    ],
  ]),
  section('sail-skarra', 'Skarra', 'white', 'close', [
    [
      heading('Ternhaven to Skarra'),
      para('An hour and a half, the last third of it open to the west. Sit aft if you are unsure.'),
      table('Boats to Skarra', head, [
        ['08:00', '09:30', 'Pier 2', 'Tuesday and Thursday', 'Yes'],
        ['11:05', '12:35', 'Pier 2', 'Every day', 'Yes'],
        ['15:20', '16:50', 'Pier 2', 'Monday, Wednesday, Friday', 'Yes'],
        ['18:10', '19:40', 'Pier 2', 'Sunday', 'On foot only'],
      ]),
    ],
  ]),
  section('sail-ness', 'Outer Ness', 'white', 'close', [
    [
      heading('Ternhaven to the Outer Ness'),
      para('Two hours and a quarter. There is no ramp: everything goes over by hand or by crane.'),
      table('Boats to the Outer Ness', head, [
        ['07:40', '09:55', 'Pier 2', 'Wednesday', 'By crane'],
        ['12:30', '14:45', 'Pier 2', 'Saturday', 'On foot only'],
        ['13:00', '15:15', 'Pier 2', 'First Monday', 'By crane'],
      ]),
      fine('Fares and times may change with the weather. What the board on the pier says is what counts.'),
    ],
  ]),
  section('sail-tide', 'How the tide moves us', 'fog', 'even', [
    [
      eyebrow('Good to know'),
      heading('How the tide moves us'),
      para(
        'Pier 1 dries for two hours around low springs. On those days every boat leaves from Pier 2, six minutes’ walk along the wall.',
      ),
    ],
    [
      minor('Three things to remember'),
      list(
        [
          'The board is right, the timetable is a plan.',
          'Cars line up on the seaward side.',
          'If you see the crew coil ropes, run.',
        ],
        'anchor',
      ),
      buttons(['Today’s notices', 'notices']),
    ],
  ]),
  'promise',
  'questions',
]);
