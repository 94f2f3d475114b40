import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { factProblemsByPage, fixFact, pageEnd, setValue, type FactFix, type PageFactProblem } from '@yohaku/core';
import { DeskActions, Editor, Reaching, pictureWhole, siteFeature, type Scope } from '../../state/index.ts';
import { Store } from '@ngrx/store';
import { ACTS, Choice, FocusIn, KEYS, TextField } from '../../ui/index.ts';

/** How long pages are looked through before the desk has its turn. */
const LOOK_MS = 10;

/** The details of a page that search results show. Missing and overlong details of all pages are listed. */
@Component({
  selector: 'yo-page-facts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, TextField, Reaching],
  template: `
    @if (page(); as page) {
      <div class="top">
        <span class="strong">Details of {{ page.title }}</span
        ><button
          yo-act
          slight
          class="end"
          icon="close"
          yoTip="Closes the details"
          [yoKey]="keyOf.back"
          (click)="closed.emit()"
        >
          Close
        </button>
      </div>
      <div class="cols">
        <section aria-label="Details">
          <yo-text
            label="Description: the page’s content in one or two sentences"
            [yoReaching]="scope"
            [value]="page.description"
            width="100%"
            [check]="check"
            (done)="describe($event)"
          />
          <div class="more">
            <yo-choice
              label="Search engines"
              [yoReaching]="scope"
              [value]="page.unlisted ? 'no' : 'yes'"
              [options]="listing"
              [width]="150"
              (chosen)="list($event)"
            />
            <yo-text
              label="Language"
              [yoReaching]="scope"
              [value]="page.language ?? ''"
              [placeholder]="site()!.language + ', as the site'"
              width="130px"
              [mono]="true"
              [check]="checkLanguage"
              (done)="speak($event)"
            />
            <yo-choice
              label="Sharing image"
              [yoReaching]="scope"
              [value]="page.picture ?? ''"
              [options]="pictures()"
              [width]="190"
              (chosen)="share($event)"
            />
            <yo-choice
              label="Header"
              [yoReaching]="{ page: page.id, section: 'header' }"
              [value]="end('header')"
              [options]="ends('header')"
              [width]="150"
              (chosen)="setEnd('header', $event)"
            />
            <yo-choice
              label="Footer"
              [yoReaching]="{ page: page.id, section: 'footer' }"
              [value]="end('footer')"
              [options]="ends('footer')"
              [width]="150"
              (chosen)="setEnd('footer', $event)"
            />
          </div>
          @if (page.former?.length) {
            <p class="note">Redirects from: {{ page.former!.join(', ') }}.</p>
          }
        </section>
        <section class="read" aria-label="As a search result">
          <div>
            <p class="head">Preview as a search result</p>
            <div class="result" [attr.lang]="site()?.language">
              <span class="where">{{ siteId() }} · {{ page.file === 'index.html' ? 'first page' : page.file }}</span>
              <span class="name">{{ named() }}</span>
              <span class="says" [class.none]="!page.description">{{
                page.unlisted
                  ? 'Search engines are asked not to list it.'
                  : page.description || 'No description: search engines will use text from the page.'
              }}</span>
            </div>
          </div>
          <div>
            <p class="head">Preview where it is shared</p>
            <div class="shared">
              @if (picture(); as src) {
                <img [src]="src" alt="" />
              } @else {
                <img [src]="made()" alt="" />
              }
              <span class="name">{{ page.file === 'index.html' ? site()!.name : page.title }}</span><span
                class="where"
                >{{ page.description || siteId() }}</span
              >
            </div>
          </div>
        </section>
        <section aria-label="To fix">
          <p class="head">To fix (this page first)</p>
          <ul>
            @for (entry of listed(); track entry.page + entry.words) {
              <li>
                <button yo-opens (click)="went.emit(entry.page)">{{ entry.title }}</button><span
                  >{{ entry.words }}
                  @if (entry.fix; as fix) {
                    <button yo-act slight icon="fix" (click)="put(entry.page, fix)">
                      {{ fix.kind === 'place' ? 'Edit' : 'Fix' }}
                    </button>
                  }
                </span>
              </li>
            } @empty {
              @if (!left()) {
                <li class="all">No issues.</li>
              }
            }
            @if (left()) {
              <li class="all quiet">Checking {{ left() }} more pages …</li>
            }
            @if (problems().length > listed().length) {
              <li class="all">
                <button yo-act slight (click)="most.set(most() + step)">
                  {{ problems().length - listed().length }} more
                </button>
              </li>
            }
          </ul>
        </section>
      </div>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      height: 100%;
      min-height: 0;
    }
    .top {
      display: flex;
      gap: 14px;
      align-items: center;
      padding-bottom: 4px;
    }
    .end {
      margin-left: auto;
    }
    .cols {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr) minmax(0, 0.7fr);
      gap: 32px;
      min-height: 0;
    }
    .cols > section {
      overflow: auto;
      padding: 2px;
    }
    .more {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 16px;
      padding-top: 6px;
    }
    .read {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 216px;
      gap: 6px 24px;
    }
    .shared {
      width: 200px;
      border: 1px solid #1a1a1a;
      display: flex;
      flex-direction: column;
    }
    .shared img,
    .blank {
      width: 100%;
      height: 105px;
      object-fit: cover;
      background: #d9d9d9;
      display: grid;
      place-items: center;
      color: #444;
      font-size: 12px;
    }
    .shared .name {
      font-size: 14px;
      line-height: 20px;
      padding: 4px 8px 0;
    }
    .shared .where {
      padding: 0 8px 4px;
      line-height: 15px;
      max-height: 49px;
      overflow: auto;
    }
    yo-text {
      display: flex;
    }
    li.all {
      display: block;
    }
    .result {
      display: flex;
      flex-direction: column;
      border-left: 3px solid #1a1a1a;
      padding: 2px 0 2px 12px;
      max-width: 620px;
      overflow-wrap: anywhere;
    }
    .where {
      font-size: 12px;
      color: #5a5a5a;
    }
    .name {
      font-size: 17px;
      line-height: 23px;
    }
    .none {
      color: #5a5a5a;
      font-style: italic;
    }
    li {
      display: grid;
      grid-template-columns: 90px minmax(0, 1fr);
      gap: 10px;
      overflow-wrap: anywhere;
      border-bottom: 1px solid #d9d9d9;
      padding: 2px 0;
      align-items: baseline;
    }
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
  protected readonly named = computed(() =>
    this.page()?.file === 'index.html' ? this.site()!.name : `${this.page()?.title}, ${this.site()?.name}`,
  );
  protected readonly problems = signal<readonly PageFactProblem[]>([]);
  /** Pages that are still to be looked through, while nothing was found in them before. */
  protected readonly left = signal(0);
  /** The site that was looked through once. */
  readonly #site = signal('');
  /**
   * Looks through all pages, this one first, a while at a time; what was found before stands until they are through.
   */
  readonly #look = effect((onCleanup) => {
    const [site, own] = [this.#editor.current(), this.id()];
    if (!site) return;
    const pages = factProblemsByPage(site, own);
    const found: PageFactProblem[] = [];
    let through = 0;
    let waiting = 0;
    const look = (): void => {
      const until = performance.now() + LOOK_MS;
      let next = pages.next();
      for (; !next.done; next = pages.next()) {
        found.push(...next.value);
        through++;
        if (performance.now() > until) break;
      }
      const first = untracked(this.#site) !== site.id;
      if (first || next.done) this.problems.set([...found]);
      this.left.set(first && !next.done ? site.pageOrder.length - through : 0);
      if (next.done) this.#site.set(site.id);
      else waiting = requestIdleCallback(look, { timeout: 200 });
    };
    look();
    onCleanup(() => cancelIdleCallback(waiting));
  });
  /** A site of a thousand pages may have thousands: they are listed some at a time. */
  protected readonly step = 60;
  protected readonly most = signal(this.step);
  protected readonly listed = computed(() => this.problems().slice(0, this.most()));
  protected readonly scope: Scope = { words: 'The description is not shown on the page; no place changes' };
  protected readonly check = (text: string): string =>
    text.length > 300 ? `${text.length} characters; at most 300. The old text is kept.` : '';

  protected readonly listing = [
    { value: 'yes', label: 'listed' },
    { value: 'no', label: 'not listed' },
  ];
  protected readonly pictures = computed(() => [
    { value: '', label: 'made from the page' },
    ...Object.values(this.site()?.assets ?? {}).map(({ id, name }) => ({ value: id, label: name })),
  ]);
  protected readonly picture = computed(() => pictureWhole(this.site(), this.page()?.picture)?.src);
  protected readonly checkLanguage = (text: string): string =>
    text === '' || /^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/.test(text)
      ? ''
      : 'Type a language tag such as en, de or pt-BR, or leave the field empty to use the site’s language.';
  protected list(way: string): void {
    this.#set('Listing', 'unlisted', way === 'no' ? true : undefined);
  }
  protected speak(tag: string): void {
    this.#set('Language', 'language', tag || undefined);
  }
  protected share(asset: string): void {
    this.#set('Sharing image', 'picture', asset || undefined);
  }
  readonly #store = inject(Store);
  readonly #saved = this.#store.selectSignal(siteFeature.selectSequence);
  /** The picture that is made from the page while none is chosen. */
  protected readonly made = computed(() => `/frame/${this.siteId()}/sharing/${this.id()}?as=${this.#saved()}`);
  /** Fixes a problem, or goes to where somebody has to say something. */
  protected put(page: string, fix: FactFix): void {
    if (fix.kind !== 'place') return this.#editor.commit((site) => fixFact(site, page, fix));
    this.went.emit(page);
    this.#store.dispatch(DeskActions.choose({ choice: { place: { page, id: fix.place } } }));
  }
  /** Of all pages, none, or a kept section. */
  protected end(end: 'header' | 'footer'): string {
    const page = this.page()!;
    return page.without?.includes(end) ? 'none' : (page[end] ?? '');
  }
  protected ends(end: 'header' | 'footer'): { value: string; label: string }[] {
    return [
      { value: '', label: `same as all pages` },
      { value: 'none', label: `no ${end}` },
      ...Object.values(this.site()?.shared.sections ?? {}).map(({ id, label }) => ({
        value: id,
        label: `reused: ${label}`,
      })),
    ];
  }
  protected setEnd(end: 'header' | 'footer', value: string): void {
    this.#editor.commit((site) =>
      pageEnd(site, this.id(), end, value === '' ? undefined : value === 'none' ? null : value),
    );
  }
  #set(what: string, field: string, value: unknown): void {
    this.#editor.commit((site) =>
      setValue(site, `${what} of ${site.pages[this.id()]!.title}`, ['pages', this.id(), field], value),
    );
  }

  protected describe(text: string): void {
    this.#editor.commit((site) =>
      setValue(site, `Description of ${site.pages[this.id()]!.title}`, ['pages', this.id(), 'description'], text),
    );
  }
}
