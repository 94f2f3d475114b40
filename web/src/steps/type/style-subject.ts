import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { addStyle, placeCount, plural, round, settleProvisional, styleSizeAt } from '@yohaku/core';
import { DeskActions, Editor, Reaching, freshId, type Scope } from '../../state/index.ts';
import { ACTS, Subject } from '../../ui/index.ts';

/** The style in hand with its sizes and places, and what can be done with it and with provisional ones. */
@Component({
  selector: 'yo-style-subject',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Reaching, Subject],
  template: `
    <yo-subject [subject]="subject()" [figure]="figure()">
      <button yo-act quiet icon="plus" (click)="add()">Duplicate style</button>
      @if (provisional().length) {
        <button yo-act quiet [yoReaching]="note" (click)="next()">Next provisional</button>
        <button yo-act main [yoReaching]="note" (click)="settle()">Confirm all</button>
      }
    </yo-subject>
  `,
})
export class StyleSubject {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly chosen = input.required<string>();
  readonly together = input.required<ReadonlySet<string>>();
  readonly takes = output<ReadonlySet<string>>();
  readonly #brand = computed(() => this.#editor.shown()?.brand);
  protected readonly note: Scope = {
    words: 'A provisional style is a default that nobody confirmed; no place changes',
  };

  protected readonly subject = computed(() =>
    this.together().size > 1
      ? plural(this.together().size, 'style')
      : (this.#brand()?.styles[this.chosen()]?.label ?? ''),
  );
  protected readonly figure = computed(() => {
    const [site, brand] = [this.#editor.current(), this.#brand()];
    const style = brand?.styles[this.chosen()];
    if (!site || !brand || !style || this.together().size > 1) return '';
    const at = (width: number): number => round(styleSizeAt(brand, style, width), 1);
    const open = this.provisional().length;
    return [
      `${at(1280)} px wide, ${at(390)} px on phones`,
      plural(placeCount(site, `text.${style.path}.size`), 'place'),
      ...(open > 0 ? [`${plural(open, 'style')} provisional`] : []),
    ].join('; ');
  });
  protected readonly provisional = computed(() => {
    const brand = this.#brand();
    return brand ? brand.styleOrder.filter((id) => brand.styles[id]!.provisional) : [];
  });

  protected next(): void {
    const list = this.provisional();
    this.#choose(list[(list.indexOf(this.chosen()) + 1) % list.length]!);
  }
  protected settle(): void {
    this.#editor.commit(settleProvisional);
  }
  protected add(): void {
    const id = freshId('style');
    this.#editor.commit((site) => addStyle(site, this.chosen(), id));
    this.#choose(id);
  }
  #choose(style: string): void {
    this.takes.emit(new Set());
    this.#store.dispatch(DeskActions.choose({ choice: { style } }));
  }
}
