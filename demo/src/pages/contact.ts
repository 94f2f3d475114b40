import {
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

/** Contact: a form, a telephone and a door. */
export const contact = page('contact', 'Contact', 'Write, ring or walk in: the harbour office at Pier 1.', [
  section('con-opener', 'Hero', 'white', 'close', [
    [
      title('Contact'),
      lead('Somebody reads everything that is written here, usually the same day, always the same week.'),
    ],
  ]),
  section('con-form', 'Write to us', 'paper', 'even', [
    [
      eyebrow('The form'),
      heading('Write to us'),
      form(
        'Send it off',
        ['Name', 'text', 'As you would like to be called'],
        [
          'Mail address',
          'email',
          'Only to answer you',
          [],
          'This is no mail address yet: it needs an @ with something on either side.',
        ],
        ['About', 'select', '', ['A crossing', 'A vehicle', 'Freight', 'Something lost', 'Something else']],
        ['Day of travel', 'date'],
        ['Message', 'area'],
        ['Tell me about changes to this boat', 'check'],
      ),
    ],
    [
      minor('Before you write'),
      list([
        'Today’s boats are on the [sailings](sailings) page.',
        'Prices are under [fares](fares).',
        'Lost things are listed with the [notices](notices).',
      ]),
      fine('We never ask for card numbers by mail.'),
    ],
  ]),
  section('con-office', 'The office', 'fog', 'close', [
    [
      heading('The harbour office'),
      para('The blue door on Pier 1, beside the weighbridge. Ring twice when it blows.'),
      table(
        'When we are in',
        ['Day', 'From', 'Until', 'Telephone'],
        [
          ['Monday to Friday', '06:30', '20:00', 'all day'],
          ['Saturday', '07:00', '20:00', 'all day'],
          ['Sunday', '08:30', '19:00', 'from nine'],
          ['Holidays', '09:00', '17:00', 'if you must'],
        ],
      ),
    ],
    [picture('harbour', 'The harbour of Ternhaven with its light and the boat lying at the pier')],
  ]),
  'promise',
]);
