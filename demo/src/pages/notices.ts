import {
  buttons,
  embed,
  eyebrow,
  fine,
  heading,
  latest,
  lead,
  minor,
  page,
  para,
  rule,
  section,
  title,
  type Part,
} from '../build.ts';

const notice = (when: string, name: string, words: string): Part[] => [
  eyebrow(when),
  minor(name),
  para(words),
  fine('Posted by the [harbour office](contact).'),
  rule(),
];

/** Notices, newest first. */
export const notices = page('notices', 'Notices', 'What changed this week: piers, times, weather and works.', [
  section('ntc-opener', 'Hero', 'paper', 'close', [
    [title('Notices'), lead('Newest first. What is older than a month hangs in the waiting room.')],
  ]),
  section('ntc-week', 'This week', 'white', 'even', [
    [
      heading('This week'),
      ...notice(
        'Tuesday',
        'Wind on the Outer Ness run',
        'Gusts to fifty knots are expected on Wednesday. The ==07:40 sails if it can==; [ring us](contact) after six and ask.',
      ),
      ...notice(
        'Monday',
        'New ramp at Holm',
        'The new ramp is in the water. It is wider, greyer and less likely to sink. Cars may use it from Friday, *one at a time*.',
      ),
      ...notice(
        'Sunday',
        'Winter timetable',
        'The evening boat to Aldersay now waits for the late bus. See [all sailings](sailings) for what else has moved.',
      ),
    ],
    [
      heading('Still true'),
      ...notice(
        'Since October',
        'Half fare cards',
        'The yellow cards run out at the end of the year. Bring yours to the office and take a green one home, *no photograph needed*.',
      ),
      ...notice(
        'Since September',
        'Fog horn at Skarra',
        'It sounds twice a minute when it sounds. The school asks us to say that it is sorry about the mornings.',
      ),
      ...notice(
        'Since August',
        'Lost and found',
        'One oar, two left boots, a birthday cake with a name on it. [Describe what is missing](contact) and collect it at Pier 1.',
      ),
    ],
  ]),
  section('ntc-word', 'Word by message', 'fog', 'close', [
    [
      eyebrow('No need to look'),
      heading('Have them sent'),
      para('We write only when something has changed for the boat you are on. Nothing else, to nobody else.'),
      buttons(['Send me word', 'contact'], ['How we keep your number', 'about', 'secondary']),
    ],
  ]),
  section('ntc-log', 'From the log', 'white', 'close', [
    [heading('From the log'), latest('log', { heading: 'what', text: 'told', by: 'day' }, 4)],
    [
      heading('The pier, now'),
      embed('paper', 'A picture of Pier 1, every minute', 'See it where it is taken', 'https://example.org/pier-1'),
    ],
  ]),
  'weather',
  'questions',
]);
