import { readSite } from '../document/index.ts';
import type { Asset } from '../site/index.ts';
import { smallSite } from './small-site.ts';
import { addCollection, addField, addItem, addPicture, setItemPicture } from '../change/index.ts';
import { edited } from './edited.ts';

export let count = 0;
export const fresh = () => `f${++count}`;
const picture: Asset = { id: 'a1', name: 'Boat.png', hash: 'cd'.repeat(32), type: 'image/png', width: 100, height: 60 };

/** Notices with a date and a price, three of them, one with a picture. */
export const notices = edited(
  readSite(smallSite()),
  (now) => addCollection(now, 'n', 'Notices'),
  (now) => addField(now, 'n', 'day', 'Day', 'date'),
  (now) => addField(now, 'n', 'price', 'Price', 'number'),
  (now) => addField(now, 'n', 'photo', 'Photo', 'picture'),
  (now) => addPicture(now, picture),
  (now) => addItem(now, 'n', 'i1', { name: 'Fog <b>', text: 'Boats wait.', day: '2026-03-01', price: '9' }),
  (now) => addItem(now, 'n', 'i2', { name: 'New ramp', day: '2026-05-01', price: '10' }),
  (now) => addItem(now, 'n', 'i3', { name: 'Fog <b>' }),
  (now) => setItemPicture(now, 'i1', 'photo', 'a1'),
);
