import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { pageFactProblems, setValue } from '@yohaku/core';
import { Editor, Reaching, siteFeature, type Scope } from '../../state/index.ts';
import { Store } from '@ngrx/store';
import { ACTS, FocusIn, KEYS, TextField } from '../../ui/index.ts';

/** What a page says of itself where it is not seen: in a list of results. Missing and too long ones of all pages are listed. */
@Component({
  selector: 'yo-page-facts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, TextField, Reaching],
  template: `
    @if (page(); as page) {
      <div class="top"><span class="strong">Page facts of {{ page.title }}</span><button yo-act slight class="end" icon="close" yoTip="Closes the facts" [yoKey]="keyOf.back" (click)="closed.emit()">Close</button></div>
      <div class="cols">
        <section aria-label="Facts">
          <yo-text label="Description: what is to be found there, in a sentence or two" [yoReaching]="scope" [value]="page.description" width="100%" [check]="check" (done)="describe($event)" />
          <p class="head gap">As it will be read in a list of results</p>
          <div class="result" [attr.lang]="site()?.language">
            <span class="where">{{ siteId() }} · {{ page.file === 'index.html' ? 'first page' : page.file }}</span>
            <span class="name">{{ named() }}</span>
            <span class="says" [class.none]="!page.description">{{ page.description || 'No description: whoever lists it takes words from the page.' }}</span>
          </div>
        </section>
        <section aria-label="Missing or too long">
          <p class="head">Missing or too long, all pages</p>
          <ul>@for (one of problems(); track one.page + one.words) { <li><button yo-opens (click)="went.emit(one.page)">{{ one.title }}</button><span>{{ one.words }}</span></li> } @empty { <li class="all">Every page says what it is.</li> }</ul>
        </section>
      </div>
    }
  `,
  styles: `
    :host { display: flex; flex-direction: column; height: 100%; min-height: 0; }
    .top { display: flex; gap: 14px; align-items: center; padding-bottom: 4px; } .end { margin-left: auto; }
    .cols { display: grid; grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr); gap: 40px; min-height: 0; } .cols > section { overflow: auto; padding: 2px; }
    .gap { padding-top: 6px; } yo-text { display: flex; } li.all { display: block; }
    .result { display: flex; flex-direction: column; border-left: 3px solid #1a1a1a; padding: 2px 0 2px 12px; max-width: 620px; overflow-wrap: anywhere; }
    .where { font-size: 12px; color: #5a5a5a; } .name { font-size: 19px; line-height: 26px; } .none { color: #5a5a5a; font-style: italic; }
    li { display: grid; grid-template-columns: 150px 1fr; gap: 10px; border-bottom: 1px solid #d9d9d9; padding: 2px 0; align-items: baseline; }
  `,
  hostDirectives: [FocusIn],
  host: { '(keydown.escape)': 'closed.emit(); $event.stopPropagation()' },
})
export class PageFacts {
  readonly #editor = inject(Editor);
  protected readonly siteId = inject(Store).selectSignal(siteFeature.selectSiteId);
  protected readonly keyOf = KEYS;
  readonly id = input.required<string>();
  readonly closed = output();
  /** Another page is asked for. */
  readonly went = output<string>();
  protected readonly site = this.#editor.shown;
  protected readonly page = computed(() => this.site()?.pages[this.id()]);
  /** The title as a window and a list show it. */
  protected readonly named = computed(() => (this.page()?.file === 'index.html' ? this.site()!.name : `${this.page()?.title}, ${this.site()?.name}`));
  protected readonly problems = computed(() => {
    const site = this.#editor.current();
    return site ? pageFactProblems(site) : [];
  });
  protected readonly scope: Scope = { words: 'The description goes out with the page and is not seen on it; no place changes' };
  protected readonly check = (text: string): string => (text.length > 300 ? `${text.length} characters; at most 300. What was there is kept.` : '');

  protected describe(text: string): void {
    this.#editor.commit((site) => setValue(site, `Description of ${site.pages[this.id()]!.title}`, ['pages', this.id(), 'description'], text));
  }
}
