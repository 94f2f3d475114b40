// Every program that reads this file needs the declaration, and none can import one at run time.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./lucide.d.ts" />
import type { Element } from 'hast';
import anchor from 'lucide/dist/esm/icons/anchor.mjs';
import arrow from 'lucide/dist/esm/icons/arrow-right.mjs';
import check from 'lucide/dist/esm/icons/check.mjs';
import clock from 'lucide/dist/esm/icons/clock.mjs';
import info from 'lucide/dist/esm/icons/info.mjs';
import warning from 'lucide/dist/esm/icons/triangle-alert.mjs';
import { element, labelled, type IconName } from '../../kinds/index.ts';
import { recipes } from '../../style/index.ts';
import { placed, type Build } from './build.ts';
import type { Place } from './place.ts';

const SHAPES: Record<IconName, readonly (readonly [string, Record<string, string | number>])[]> = {
  anchor,
  arrow,
  check,
  clock,
  info,
  warning,
};

/** An icon of a button, in the colour of its words and no place by itself. */
export function buttonIcon(name: IconName): Element {
  return element(
    'svg',
    { className: 'in-button', viewBox: '0 0 24 24', width: 24, height: 24, ariaHidden: 'true' },
    SHAPES[name].map(([tag, attributes]) => element(tag, attributes)),
  );
}

/**
 * An icon in the colour its ground has for icons, as large as the text it stands in asks. It says nothing to those who
 * cannot see it: the words beside it do.
 */
export function icon(build: Build, id: string, name: IconName, text: Place): Element {
  const place = build.place({
    id,
    kind: 'icon',
    label: labelled('Icon', name),
    recipes: [recipes.role(build.ground, 'icon')],
    inherits: text,
  });
  return element(
    'svg',
    placed(place, 'icon', { viewBox: '0 0 24 24', width: 24, height: 24, ariaHidden: 'true' }),
    SHAPES[name].map(([tag, attributes]) => element(tag, attributes)),
  );
}
