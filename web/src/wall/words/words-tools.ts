import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  inject,
  input,
  output,
  type OnDestroy,
} from '@angular/core';
import { hrefFrom, hrefText, linkOffers, type Place } from '@yohaku/core';
import { Editor } from '../../state/index.ts';
import { ACTS, KEYS, TextField } from '../../ui/index.ts';
import { WordsEditor } from './words-editor.ts';

/** The tools of a text that is edited in place: emphasis and link. */
@Component({
  selector: 'yo-words-tools',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, TextField],
  template: `
    @if (edited(); as words) {
      <div class="acts" role="group" aria-label="Text">
        @if (words.rich) {
          <button
            yo-act
            slight
            [attr.aria-pressed]="words.mark === 'strong'"
            yoTip="Strong on or off"
            [yoKey]="keys.strong"
            (mousedown)="$event.preventDefault()"
            (click)="editor.mark('strong')"
          >
            Strong
          </button>
          <button
            yo-act
            slight
            [attr.aria-pressed]="words.mark === 'em'"
            yoTip="Emphasis on or off"
            [yoKey]="keys.emphasis"
            (mousedown)="$event.preventDefault()"
            (click)="editor.mark('em')"
          >
            Emphasis
          </button>
          <button
            yo-act
            slight
            [attr.aria-pressed]="words.mark === 'marked'"
            yoTip="Highlight on or off"
            (mousedown)="$event.preventDefault()"
            (click)="editor.mark('marked')"
          >
            Highlight
          </button>
        }
        <button
          yo-act
          slight
          class="end"
          yoTip="Keeps the typed text"
          [yoKey]="keys.keep"
          (mousedown)="$event.preventDefault()"
          (click)="editor.finish(true)"
        >
          Done
        </button>
        <button
          yo-act
          slight
          yoTip="Discards the typed text"
          [yoKey]="keys.drop"
          (mousedown)="$event.preventDefault()"
          (click)="editor.finish(false)"
        >
          Cancel
        </button>
      </div>
      @if (words.rich) {
        <div class="links">
          <yo-text
            label="Link to"
            [value]="leads()"
            [offers]="offers()"
            width="200px"
            placeholder="a page, an address"
            [check]="check"
            (done)="lead($event)"
          />
          @if (words.link) {
            <button yo-act slight class="off" (mousedown)="$event.preventDefault()" (click)="editor.link(null)">
              No link
            </button>
          }
        </div>
        @if (!words.link) {
          <p class="note">Select text, then choose a format.</p>
        }
      }
    } @else {
      <button yo-act slight icon="pencil" (click)="asked.emit()">Edit text</button>
      <span class="note">or double-click it</span>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .yo-act + .note {
      margin-left: 6px;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 4px;
      padding: 2px 0;
    }
    .end {
      margin-left: auto;
    }
    .links {
      display: flex;
      gap: 6px;
      align-items: end;
      padding-top: 4px;
    }
  `,
  host: { '(focusout)': 'left()' },
})
export class WordsTools implements OnDestroy {
  protected readonly editor = inject(WordsEditor);
  protected readonly keys = KEYS;
  readonly #desk = inject(Editor);
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly place = input.required<Place>();
  readonly asked = output();

  protected readonly edited = computed(() => {
    const words = this.editor.edited();
    const place = this.place();
    return words && words.page === place.page && words.place === place.id ? words : null;
  });
  protected readonly leads = computed(() => {
    const [site, link] = [this.#desk.shown(), this.edited()?.link];
    return site && link ? hrefText(site, link) : '';
  });
  protected readonly offers = computed(() => {
    const site = this.#desk.shown();
    return site ? linkOffers(site) : [];
  });
  protected readonly check = (text: string): string => {
    const read = text === '' ? null : hrefFrom(this.#desk.current()!, text);
    return typeof read === 'string' ? read : '';
  };
  protected lead(text: string): void {
    const read = text === '' ? null : hrefFrom(this.#desk.current()!, text);
    if (typeof read !== 'string') this.editor.link(read);
  }

  /** Whoever leaves the tools, and not for the words, is done. */
  protected left(): void {
    setTimeout(() => {
      const active = document.activeElement;
      if (
        this.edited() &&
        active?.tagName !== 'IFRAME' &&
        active !== document.body &&
        !this.#host.nativeElement.contains(active)
      )
        this.editor.finish(true);
    });
  }

  ngOnDestroy(): void {
    if (this.edited()) this.editor.finish(true);
  }
}
