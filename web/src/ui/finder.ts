import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  input,
  output,
  signal,
  viewChildren,
} from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { KEYS } from './keys.ts';

/** Something that is found by a few letters: what kind of thing it is, its name, and what it reaches. */
export interface Findable {
  readonly id: string;
  readonly kind: string;
  readonly label: string;
  readonly reach: string;
}

let count = 0;

/**
 * A field that looks for something among many by a few letters; what fits is listed under it, the best first.
 * Arrow keys go through it, Enter takes the one that stands out. (The library's auto-complete says neither kind nor
 * reach.)
 */
@Component({
  selector: 'yo-finder',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputModule],
  template: `
    <label class="sr" [for]="id">{{ label() }}</label>
    <input
      nz-input
      cdkFocusInitial
      [id]="id"
      type="text"
      autocomplete="off"
      spellcheck="false"
      role="combobox"
      aria-expanded="true"
      [attr.aria-controls]="id + '-list'"
      aria-autocomplete="list"
      [attr.placeholder]="label()"
      [attr.aria-activedescendant]="found().length ? id + '-' + at() : null"
      [value]="typed()"
      (input)="type($any($event.target).value)"
      (keydown)="key($event)"
    />
    <ul [id]="id + '-list'" role="listbox" aria-label="Results">
      @for (result of found(); track result.id; let i = $index) {
        <li
          #row
          role="option"
          [id]="id + '-' + i"
          [attr.aria-selected]="i === at()"
          [class.now]="i === at()"
          (mousemove)="at.set(i)"
          (click)="chosen.emit(result.id)"
        >
          <span class="quiet">{{ result.kind }}</span><span class="name">{{ result.label }}</span
          ><span class="note">{{ result.reach }}</span>
        </li>
      }
    </ul>
    @if (typed().trim() && found().length === 0) {
      <p class="quiet" role="status">No results for “{{ typed().trim() }}”.</p>
    }
  `,
  styles: `
    ul {
      margin-top: 8px;
      max-height: 360px;
      overflow: auto;
    }
    li {
      display: grid;
      grid-template-columns: 72px 1fr auto;
      gap: 12px;
      align-items: baseline;
      padding: 4px 6px;
      cursor: pointer;
    }
    li.now {
      background: #eee;
    }
    .name {
      overflow-wrap: anywhere;
    }
  `,
})
export class Finder {
  readonly label = input.required<string>();
  /**
   * Gives the results for what was typed last. A function, since Enter may follow a letter before the list is drawn
   * anew: it must take the result of the new text, not of the old.
   */
  readonly results = input.required<() => readonly Findable[]>();
  protected readonly found = computed(() => this.results()());
  readonly sought = output<string>();
  readonly chosen = output<string>();
  protected readonly id = `finder-${++count}`;
  protected readonly typed = signal('');
  protected readonly at = signal(0);
  protected readonly rows = viewChildren<ElementRef<HTMLElement>>('row');

  protected type(text: string): void {
    this.typed.set(text);
    this.at.set(0);
    this.sought.emit(text);
  }
  protected key(event: KeyboardEvent): void {
    const by = -KEYS.row.by(event);
    if (by !== 0) {
      this.at.update((at) => Math.max(0, Math.min(this.found().length - 1, at + by)));
      this.rows()[this.at()]?.nativeElement.scrollIntoView({ block: 'nearest' });
    } else if (KEYS.keep.is(event)) {
      const result = this.found()[this.at()];
      if (result) this.chosen.emit(result.id);
    }
  }
}
