import type { SectionKind } from './section-kind.ts';
import {
  buttons,
  cards,
  download,
  embed,
  eyebrow,
  figures,
  form,
  gallery,
  heading,
  lead,
  links,
  items,
  list,
  menu,
  picture,
  questions,
  quote,
  running,
  steps,
  table,
} from './words.ts';

const kind = <const K extends SectionKind>(entry: K): K => entry;

/** The kinds of section there are, in the order in which the shelf shows them. */
export const SECTION_KINDS = {
  opener: kind({
    id: 'opener',
    label: 'Hero',
    use: 'openers',
    columns: [[heading('A new page', 1), running('Your text.')]],
  }),
  'opener-act': kind({
    id: 'opener-act',
    label: 'Hero with buttons',
    use: 'openers',
    columns: [
      [
        eyebrow('Topic'),
        heading('A short, clear headline', 1),
        lead('One sentence that says what readers gain.'),
        buttons('Get started', 'Read more'),
      ],
    ],
  }),
  'opener-picture': kind({
    id: 'opener-picture',
    label: 'Hero with image',
    use: 'openers',
    arrangement: 'first-wider',
    columns: [
      [
        heading('A short, clear headline', 1),
        lead('One sentence that says what readers gain.'),
        buttons('Get started'),
      ],
      [picture('Image for this page')],
    ],
  }),
  'opener-narrow': kind({
    id: 'opener-narrow',
    label: 'Hero, narrow',
    use: 'openers',
    arrangement: 'narrow',
    ground: 'other',
    columns: [
      [eyebrow('Topic'), heading('A short, clear headline', 1), lead('One sentence that says what readers gain.')],
    ],
  }),
  text: kind({
    id: 'text',
    label: 'New section',
    use: 'words',
    columns: [[heading('A new section'), running('Your text.')]],
  }),
  'text-twice': kind({
    id: 'text-twice',
    label: 'Text in two columns',
    use: 'words',
    columns: [
      [heading('First topic'), running('Two or three sentences about the first topic.')],
      [
        { ...heading('Second topic'), id: 'title2' },
        running('Two or three sentences about the second topic.', 'words2'),
      ],
    ],
  }),
  quotes: kind({
    id: 'quotes',
    label: 'Quotes',
    use: 'words',
    columns: [
      [quote('A customer’s words, quoted exactly.', 'Name, role')],
      [quote('Another customer’s words.', 'Name, role', 'quote2')],
    ],
  }),
  notice: kind({
    id: 'notice',
    label: 'Notice line',
    use: 'words',
    ground: 'other',
    arrangement: 'narrow',
    columns: [[running('This week’s notice.')]],
  }),
  'text-picture': kind({
    id: 'text-picture',
    label: 'Text with image',
    use: 'pictures',
    columns: [
      [heading('Subject of the image'), running('Explain what the image alone does not show.')],
      [picture('Subject of the image')],
    ],
  }),
  'picture-text': kind({
    id: 'picture-text',
    label: 'Image with text',
    use: 'pictures',
    arrangement: 'last-first',
    columns: [
      [picture('Subject of the image')],
      [heading('Subject of the image'), running('Explain what the image alone does not show.')],
    ],
  }),
  'picture-wide': kind({
    id: 'picture-wide',
    label: 'Full-width image',
    use: 'pictures',
    arrangement: 'whole-width',
    columns: [[picture('Subject of the image', 'Caption and credit.')]],
  }),
  gallery: kind({
    id: 'gallery',
    label: 'Gallery',
    use: 'pictures',
    columns: [[heading('A closer look'), gallery(3, 'square', 'First image', 'Second image', 'Third image')]],
  }),
  film: kind({
    id: 'film',
    label: 'Video',
    use: 'pictures',
    columns: [
      [heading('See how it works'), embed('Video, two minutes', 'wide', 'https://example.org/film', 'Watch the video')],
    ],
  }),
  cards: kind({
    id: 'cards',
    label: 'Cards',
    use: 'lists',
    columns: [
      [
        heading('Three topics'),
        cards(
          3,
          { heading: 'First topic', text: 'One or two sentences about this.', link: 'Read more about the first' },
          { heading: 'Second topic', text: 'One or two sentences about this.', link: 'Read more about the second' },
          { heading: 'Third topic', text: 'One or two sentences about this.', link: 'Read more about the third' },
        ),
      ],
    ],
  }),
  'list-pictures': kind({
    id: 'list-pictures',
    label: 'List with images',
    use: 'lists',
    columns: [
      [
        heading('Overview'),
        cards(
          2,
          { heading: 'First topic', text: 'One or two sentences about this.', picture: true },
          { heading: 'Second topic', text: 'One or two sentences about this.', picture: true },
        ),
      ],
    ],
  }),
  latest: kind({ id: 'latest', label: 'Latest items', use: 'lists', columns: [[heading('News'), items('cards', 3)]] }),
  'one-item': kind({
    id: 'one-item',
    label: 'One item',
    use: 'lists',
    arrangement: 'narrow',
    columns: [[items('rows', 1)]],
  }),
  list: kind({
    id: 'list',
    label: 'List',
    use: 'lists',
    arrangement: 'narrow',
    columns: [[heading('Good to know'), list('First point', 'Second point', 'Third point')]],
  }),
  steps: kind({
    id: 'steps',
    label: 'Steps',
    use: 'lists',
    columns: [
      [
        heading('How it works'),
        steps(
          ['Ask', 'Tell us what you need.'],
          ['Choose', 'We send two or three offers with prices.'],
          ['Start', 'We do the rest.'],
        ),
      ],
    ],
  }),
  figures: kind({
    id: 'figures',
    label: 'Key figures',
    use: 'lists',
    ground: 'other',
    columns: [
      [
        heading('Key figures'),
        figures(['12', 'years of experience'], ['340', 'orders last year'], ['98 %', 'would recommend it']),
      ],
    ],
  }),
  questions: kind({
    id: 'questions',
    label: 'FAQ',
    use: 'lists',
    columns: [
      [
        heading('Frequently asked questions'),
        questions(
          ['Can I change it later?', 'Yes, as often as you like.'],
          ['How long does it take?', 'Usually two weeks.'],
          ['Who can I ask?', 'Call us; whoever answers can help.'],
        ),
      ],
    ],
  }),
  timetable: kind({
    id: 'timetable',
    label: 'Timetable',
    use: 'lists',
    columns: [
      [
        heading('Timetable'),
        table(
          'Monday to Friday',
          ['Time', 'Event', 'Place'],
          ['09:00', 'First event', 'Upstairs'],
          ['11:00', 'Second event', 'Downstairs'],
          ['14:00', 'Third event', 'Outside'],
        ),
      ],
    ],
  }),
  downloads: kind({
    id: 'downloads',
    label: 'Downloads',
    use: 'lists',
    arrangement: 'narrow',
    columns: [[heading('Downloads'), links('below', 'Form, PDF', 'Plan, PDF', 'All images, ZIP')]],
  }),
  'download-one': kind({
    id: 'download-one',
    label: 'A download',
    use: 'lists',
    arrangement: 'narrow',
    columns: [
      [heading('Download'), running('The contents of the file, and who needs it.'), download('Download the file')],
    ],
  }),
  prices: kind({
    id: 'prices',
    label: 'Prices',
    use: 'offers',
    columns: [
      [
        heading('Prices'),
        cards(
          3,
          { heading: 'Small, 12', text: 'One person, per month.', button: 'Choose small' },
          { heading: 'Medium, 30', text: 'Five people, per month.', button: 'Choose medium' },
          { heading: 'Large, 80', text: 'Everyone, per month.', button: 'Choose large' },
        ),
      ],
    ],
  }),
  comparison: kind({
    id: 'comparison',
    label: 'Comparison',
    use: 'offers',
    columns: [
      [
        heading('Compare'),
        table(
          'Included in each',
          ['', 'Small', 'Large'],
          ['People', '1', 'unlimited'],
          ['Support', 'email', 'phone'],
          ['Per month', '12', '80'],
        ),
      ],
    ],
  }),
  call: kind({
    id: 'call',
    label: 'Call to action',
    use: 'offers',
    ground: 'other',
    arrangement: 'narrow',
    columns: [
      [
        heading('Ready to start?'),
        running('It takes a minute and costs nothing.'),
        buttons('Get started', 'Ask a question'),
      ],
    ],
  }),
  people: kind({
    id: 'people',
    label: 'People',
    use: 'people',
    columns: [
      [
        heading('Our team'),
        cards(
          3,
          { heading: 'First name', text: 'Role in the team.', picture: true },
          { heading: 'Second name', text: 'Role in the team.', picture: true },
          { heading: 'Third name', text: 'Role in the team.', picture: true },
        ),
      ],
    ],
  }),
  partners: kind({
    id: 'partners',
    label: 'Partner logos',
    use: 'people',
    columns: [
      [
        heading('Our partners'),
        gallery(4, 'wide', 'First partner', 'Second partner', 'Third partner', 'Fourth partner'),
      ],
    ],
  }),
  form: kind({
    id: 'form',
    label: 'Form',
    use: 'contact',
    arrangement: 'narrow',
    columns: [[heading('Write to us'), form('Send', ['Name', 'text'], ['Email', 'email'], ['Message', 'area'])]],
  }),
  contact: kind({
    id: 'contact',
    label: 'Contact with a map',
    use: 'contact',
    arrangement: 'first-wider',
    columns: [
      [heading('Where we are'), running('Street and number, town.'), links('below', 'Write to us', 'Call us')],
      [embed('Map', 'square', 'https://example.org/map', 'Open the map')],
    ],
  }),
  hours: kind({
    id: 'hours',
    label: 'Opening hours',
    use: 'contact',
    arrangement: 'narrow',
    columns: [
      [
        heading('Opening hours'),
        table(
          'Opening hours',
          ['Day', 'From', 'To'],
          ['Monday to Friday', '09:00', '17:00'],
          ['Saturday', '10:00', '14:00'],
          ['Sunday', 'closed', ''],
        ),
      ],
    ],
  }),
  'footer-links': kind({
    id: 'footer-links',
    label: 'Links in columns',
    use: 'contact',
    columns: [
      [heading('On this site', 3), links('below', 'First page', 'Second page')],
      [
        { ...heading('Elsewhere', 3), id: 'title2' },
        { ...links('below', 'First link', 'Second link'), id: 'links2' },
      ],
    ],
  }),
  'footer-menu': kind({
    id: 'footer-menu',
    label: 'Menu links',
    use: 'contact',
    columns: [
      [heading('On this site', 3), menu('below')],
      [{ ...heading('Elsewhere', 3), id: 'title2' }, links('below', 'First link', 'Second link')],
    ],
  }),
} as const satisfies Readonly<Record<string, SectionKind>>;
