import type { Section, Shared } from '@yohaku/core';
import { buttons, byId, eyebrow, figures, fine, heading, lead, list, logo, minor, para, section } from './build.ts';

const questions: Section = section('questions', 'Questions', 'deep', 'even', [
  [
    eyebrow('Harbour office'),
    heading('Questions?'),
    lead(
      'The harbour office answers between the first boat and the last. If the line is busy, we are out catching a rope.',
    ),
  ],
  [
    minor('Ring, write or walk in'),
    list([
      'Telephone **0555 0142**, seven days, half past six until eight.',
      'Write to [the harbour office](mailto:office@ternhaven.example) and hear back the same tide.',
      'The blue door on Pier 1, beside the weighbridge.',
    ]),
    buttons(['Ask us something', 'contact'], ['See the notices', 'notices', 'secondary']),
  ],
]);

const weather: Section = section('weather', 'Sailing today', 'fog', 'close', [
  [
    eyebrow('Today on the water'),
    figures(
      ['9 of 9', 'crossings still planned'],
      ['South-west 5', 'wind at the Outer Ness buoy'],
      ['14:20', 'low water at Holm pier'],
      ['Pier 2', 'for every boat after noon'],
    ),
  ],
]);

const rules: Section = section('promise', 'Our promise', 'white', 'close', [
  [
    heading('If we are late, you hear it first'),
    para(
      'We send word the moment a boat is held, and we say why. A crossing more than an hour late is free, and the one after it waits for you.',
    ),
  ],
  [
    minor('What that means'),
    list(
      [
        'No form to fill in: the purser marks your ticket on board.',
        'Tea in the saloon while you wait, on the line.',
        'If the last boat does not sail, we find you a bed.',
      ],
      'check',
    ),
  ],
]);

const footer: Section = section('footer', 'Footer', 'ink', 'close', [
  [logo(), minor('Ternhaven Ferries'), para('A small line between four islands, since the mail went by oar.')],
  [
    fine('[Sailings](sailings) and [fares](fares)'),
    fine('[The islands](islands) and [vehicles and freight](freight)'),
    fine('[Travelling with assistance](assistance)'),
  ],
  [
    fine('[Notices](notices), [about us](about), [contact](contact)'),
    fine('Pier 1, Ternhaven. Company number 0000 of the Island Register.'),
  ],
]);

/** Header, footer and the sections that several pages show. */
export const shared: Shared = {
  header: {
    id: 'header',
    ground: 'white',
    name: 'Ternhaven',
    nameStyle: 'small-heading',
    menuStyle: 'menu',
    order: ['m-sailings', 'm-fares', 'm-islands', 'm-freight', 'm-notices', 'm-contact'],
    items: byId([
      { id: 'm-sailings', label: 'Sailings', link: { to: 'page', page: 'sailings' } },
      { id: 'm-fares', label: 'Fares', link: { to: 'page', page: 'fares' } },
      { id: 'm-islands', label: 'Islands', link: { to: 'page', page: 'islands' } },
      { id: 'm-freight', label: 'Freight', link: { to: 'page', page: 'freight' } },
      { id: 'm-notices', label: 'Notices', link: { to: 'page', page: 'notices' } },
      { id: 'm-contact', label: 'Contact', link: { to: 'page', page: 'contact' } },
    ]),
  },
  footer,
  sections: byId([questions, weather, rules]),
  overrides: {},
  logo: {
    forms: byId([
      {
        id: 'mark-pale',
        label: 'Dark mark',
        asset: 'mark-pale',
        plate: null,
        colors: [
          { hex: '#0e3b43', share: 0.571 },
          { hex: '#3e666c', share: 0.267 },
          { hex: '#b83a1e', share: 0.162 },
        ],
      },
      {
        id: 'mark-dark',
        label: 'Light mark',
        asset: 'mark-dark',
        plate: null,
        colors: [
          { hex: '#fbfaf6', share: 0.571 },
          { hex: '#cfd9d6', share: 0.267 },
          { hex: '#b83a1e', share: 0.162 },
        ],
      },
    ]),
    formOrder: ['mark-pale', 'mark-dark'],
    onGround: {},
    named: true,
    icon: { form: 'mark-dark', ground: 'deep', margin: 0.12 },
  },
};
