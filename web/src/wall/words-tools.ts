import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input, output, type OnDestroy } from '@angular/core';
import { Href, type Place } from '@yohaku/core';
import { safeParse } from 'valibot';
import { Editor } from '../state/index.ts';
import { ACTS, Choice, KEYS, TextField } from '../ui/index.ts';
import { WordsEditor } from './words-editor.ts';

/** What can be done with words while they are edited where they stand: emphasis, and where they lead. */
@Component({
  selector: 'yo-words-tools',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, TextField],
  template: `
    @if (edited(); as words) {
      <div class="acts" role="group" aria-label="The words">
        @if (words.rich) {
          <button yo-act slight [attr.aria-pressed]="words.mark === 'strong'" yoTip="Strong, or not" [yoKey]="keys.strong" (mousedown)="$event.preventDefault()" (click)="editor.mark('strong')">Strong</button>
          <button yo-act slight [attr.aria-pressed]="words.mark === 'em'" yoTip="Emphasis, or not" [yoKey]="keys.emphasis" (mousedown)="$event.preventDefault()" (click)="editor.mark('em')">Emphasis</button>
        }
        <button yo-act slight class="end" yoTip="Keeps what was typed" [yoKey]="keys.keep" (mousedown)="$event.preventDefault()" (click)="editor.finish(true)">Done</button>
        <button yo-act slight yoTip="Drops what was typed" [yoKey]="keys.drop" (mousedown)="$event.preventDefault()" (click)="editor.finish(false)">Cancel</button>
      </div>
      @if (words.rich) {
        <div class="links">
          <yo-choice label="Link to" [value]="page()" [options]="pages()" [width]="129" (chosen)="toPage($event)" />
          <yo-text label="or to an address" [value]="url()" width="123px" [check]="checkUrl" (done)="toUrl($event)" />
        </div>
        @if (!words.link) { <p class="note">Choose words, then what they are.</p> }
      }
    } @else {
      <button yo-act slight icon="pencil" (click)="asked.emit()">Edit the words</button> <span class="note">or double-click them</span>
    }
  `,
  styles: `:host { display: block; } .yo-act + .note { margin-left: 6px; } .acts { display: flex; gap: 4px; padding: 2px 0; } .end { margin-left: auto; } .links { display: flex; gap: 3px; padding-top: 4px; }`,
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
  protected readonly page = computed(() => {
    const link = this.edited()?.link;
    return link?.to === 'page' ? link.page : '';
  });
  protected readonly url = computed(() => {
    const link = this.edited()?.link;
    return link?.to === 'url' ? link.url : '';
  });
  protected readonly pages = computed(() => {
    const site = this.#desk.shown();
    return [{ value: '', label: this.url() === '' ? 'nowhere' : 'an address' }, ...(site ? site.pageOrder.map((id) => ({ value: id, label: site.pages[id]!.title })) : [])];
  });

  protected toPage(page: string): void {
    this.editor.link(page === '' ? null : { to: 'page', page });
  }
  protected checkUrl = (url: string): string => {
    const result = safeParse(Href, { to: 'url', url });
    return url === '' || result.success ? '' : `It ${result.issues[0].message}.`;
  };
  protected toUrl(url: string): void {
    this.editor.link(url === '' ? null : { to: 'url', url });
  }

  /** Whoever leaves the tools, and not for the words, is done. */
  protected left(): void {
    setTimeout(() => {
      const active = document.activeElement;
      if (this.edited() && active?.tagName !== 'IFRAME' && active !== document.body && !this.#host.nativeElement.contains(active)) this.editor.finish(true);
    });
  }

  ngOnDestroy(): void {
    if (this.edited()) this.editor.finish(true);
  }
}
