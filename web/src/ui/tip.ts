import { Directive, ElementRef, computed, effect, inject, input } from '@angular/core';
import { NzTooltipDirective } from 'ng-zorro-antd/tooltip';
import type { Key } from './keys.ts';

/** Long enough that nothing flickers up while the pointer passes, ms. */
const AFTER_MS = 350;
let count = 0;

/** Shows the effect and shortcut of a control on hover and keyboard focus; Esc hides it. */
@Directive({
  selector: '[yoTip]',
  hostDirectives: [NzTooltipDirective],
  host: {
    '(mouseenter)': 'soon()',
    '(mouseleave)': 'hide()',
    '(focusin)': 'focused()',
    '(focusout)': 'hide()',
    '(mousedown)': 'hide()',
    '(keydown.escape)': 'hide()',
    '[attr.aria-keyshortcuts]': 'short()',
  },
})
export class Tip {
  readonly yoTip = input.required<string>();
  readonly yoKey = input<Key | null>(null);
  readonly #tooltip = inject(NzTooltipDirective, { self: true });
  readonly #words = computed(() => [this.yoTip(), this.yoKey()?.shown].filter(Boolean).join(' · '));
  protected readonly short = computed(
    () =>
      this.yoKey()
        ?.shown.split(',')[0]!
        .trim()
        .replace(/^Ctrl /, 'Control+')
        .replace('Shift ', 'Shift+') ?? null,
  );
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly #id = `tip-${++count}`;
  #timer: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    this.#tooltip.trigger = null;
    this.#tooltip.placement = ['bottom', 'top', 'bottomRight', 'bottomLeft'];
    effect(() => {
      this.#tooltip.title = this.#words();
      this.#tooltip.ngOnChanges({
        title: {
          currentValue: this.#words(),
          previousValue: undefined,
          firstChange: false,
          isFirstChange: () => false,
        },
      } as never);
    });
  }

  protected soon(): void {
    clearTimeout(this.#timer);
    if (this.#words() !== '') this.#timer = setTimeout(() => this.#show(), AFTER_MS);
  }
  protected focused(): void {
    if (document.activeElement?.matches(':focus-visible')) this.soon();
  }
  protected hide(): void {
    clearTimeout(this.#timer);
    this.#tooltip.hide();
    this.#host.removeAttribute('aria-describedby');
  }
  #show(): void {
    this.#tooltip.show();
    // The library’s has neither role nor tie to what it is about.
    const shown = this.#tooltip.component?.overlay?.overlayRef?.overlayElement.querySelector('.ant-tooltip-inner');
    shown?.setAttribute('role', 'tooltip');
    shown?.setAttribute('id', this.#id);
    this.#host.setAttribute('aria-describedby', this.#id);
  }
}
