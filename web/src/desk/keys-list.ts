import { A11yModule } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, Component, output } from '@angular/core';

const KEYS: readonly (readonly [string, string])[] = [
  ['1 … 8', 'Go to a step'], ['Ctrl Z', 'Undo; with Shift: redo'], ['B, held', 'See the wall before the last edit'], ['S', 'The specimen, and back'], ['L', 'Headings by level and style'], ['V', 'Seen as: full colour, protan, deutan, tritan, greyscale'], ['?', 'This list'], ['Esc', 'One step back: slip, grown page, token in hand'],
  ['↑ ↓ in a figure', 'Nudge by one step; with Shift: ten'], ['← → on a slider', 'Nudge by one step'], ['↑ ↓ on the line', 'Taller or lower desk'],
  ['H, held', 'Harmonies: the next one on the wall'], ['N, P', 'Check: next and previous row'], ['M', 'Check: mend'], ['U', 'Check: undo the edit'], ['Enter, Esc in words', 'Keep or drop what was typed'],
];

/** All keys, on `?`. */
@Component({
  selector: 'yo-keys-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [A11yModule],
  template: `
    <div class="sheet" role="dialog" aria-modal="true" aria-label="Keys" cdkTrapFocus cdkTrapFocusAutoCapture>
      <div class="top"><h2 class="strong">Keys</h2><button class="act" (click)="closed.emit()">Close</button></div>
      <dl>@for (key of keys; track key[0]) { <dt class="mono">{{ key[0] }}</dt><dd>{{ key[1] }}</dd> }</dl>
    </div>
  `,
  styles: `
    :host { position: fixed; right: 20px; top: 40px; z-index: 20; }
    .sheet { background: #fff; color: #1a1a1a; border: 1px solid #1a1a1a; padding: 10px 16px 14px; width: 400px; }
    .top { display: flex; justify-content: space-between; padding-bottom: 6px; }
    dl { display: grid; grid-template-columns: 150px 1fr; row-gap: 2px; border-top: 1px solid #d9d9d9; padding-top: 6px; }
  `,
})
export class KeysList {
  readonly closed = output();
  protected readonly keys = KEYS;
}
