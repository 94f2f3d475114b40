import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { Sheet } from './sheet.ts';

const KEYS: readonly (readonly [string, string])[] = [
  ['1 … 8', 'Go to a step'], ['Ctrl Z', 'Undo; with Shift: redo'], ['B, held', 'See the wall before the last edit'], ['S', 'The specimen, and back'], ['L', 'Headings by level and style'], ['V', 'Seen as: full colour, protan, deutan, tritan, greyscale'], ['?', 'This list'], ['Esc', 'One step back: slip, grown page, token in hand'],
  ['↑ ↓ in a figure', 'Nudge by one step; with Shift: ten'], ['← → on a slider', 'Nudge by one step'], ['↑ ↓ on the line', 'Taller or lower desk'],
  ['H, held', 'Harmonies: the next one on the wall'], ['N, P', 'Check: next and previous row'], ['M', 'Check: mend'], ['U', 'Check: undo the edit'], ['Enter, Esc in words', 'Keep or drop what was typed'],
];

/** All keys, on `?`. */
@Component({
  selector: 'yo-keys-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Sheet],
  template: `<yo-sheet title="Keys" (closed)="closed.emit()"><dl>@for (key of keys; track key[0]) { <dt class="mono">{{ key[0] }}</dt><dd>{{ key[1] }}</dd> }</dl></yo-sheet>`,
  styles: `dl { display: grid; grid-template-columns: 150px 1fr; row-gap: 2px; }`,
})
export class KeysList {
  readonly closed = output();
  protected readonly keys = KEYS;
}
