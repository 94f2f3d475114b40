import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import {
  CdkDrag,
  CdkDragPlaceholder,
  CdkDragPreview,
  CdkDropList,
  type CdkDragEnd,
  type CdkDragMove,
} from '@angular/cdk/drag-drop';
import {
  SECTION_KINDS,
  SECTION_USES,
  addClip,
  canLayIn,
  fromClip,
  inPageWords,
  layIn,
  matchClip,
  pagesWith,
  plural,
  siteCss,
  wordsOfPage,
  type Match,
  type Section,
  type SectionClip,
  type SectionKind,
  type SectionUse,
} from '@yohaku/core';
import { Editor, CopiedSection, freshId, sectionAt, type DropTarget } from '../../state/index.ts';
import { ACTS, Choice, FocusIn, KEYS } from '../../ui/index.ts';
import { SectionCard } from './section-card.ts';

const ALL: readonly SectionKind[] = Object.values(SECTION_KINDS);

/** A card of the list: a kind, or a reused section. Without a section the site lacks something that the kind shows. */
interface Shown {
  readonly id: string;
  readonly label: string;
  readonly note: string;
  readonly kind: SectionKind | null;
  readonly section: Section | null;
  readonly clip?: SectionClip;
  /** The missing part of the site. */ readonly needs?: string;
}

/** The kinds of section there are, each in the brand, narrowed by what it is for; one is laid in by pressing it. */
@Component({
  selector: 'yo-section-shelf',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, CdkDrag, CdkDragPlaceholder, CdkDragPreview, CdkDropList, Choice, SectionCard],
  template: `
    <div class="top">
      <span class="yo-joined" role="group" aria-label="For">
        <button yo-act slight [attr.aria-pressed]="use() === null" (click)="use.set(null)">all {{ all.length }}</button>
        @if (along(); as entry) {
          <button
            yo-act
            slight
            yoTip="The copied section, from this or another site"
            [attr.aria-pressed]="use() === 'along'"
            (click)="use.set('along')"
          >
            copied
          </button>
        }
        @if (kept().length) {
          <button
            yo-act
            slight
            yoTip="Reused sections: an edit changes every page that has them"
            [attr.aria-pressed]="use() === 'kept'"
            (click)="use.set('kept')"
          >
            reused {{ kept().length }}
          </button>
        }
        @for (entry of uses; track entry) {
          <button yo-act slight [attr.aria-pressed]="use() === entry" (click)="use.set(entry)">{{ entry }}</button>
        }
      </span>
      <span role="status">{{ where() }} Shown with text of this page; each section comes with its own text.</span>
      <button
        yo-act
        slight
        class="end"
        icon="close"
        yoTip="Closes this list"
        [yoKey]="keyOf.back"
        (click)="closed.emit()"
      >
        Close
      </button>
    </div>
    @if (asking(); as clip) {
      <section class="ask" aria-label="Replacements">
        <p class="strong">
          “{{ clip.section.label }}” uses the styles of this site. Values without an equal here use the nearest; choose
          another where that is wrong.
        </p>
        <div class="fields">
          @for (entry of unsure(); track entry.target + entry.from) {
            <yo-choice
              [label]="names[entry.target] + ' “' + entry.label + '”'"
              [value]="choices()[entry.target + ' ' + entry.from] ?? entry.to"
              [options]="options(entry.target)"
              [width]="150"
              (chosen)="choose(entry, $event)"
            />
          }
        </div>
        @if (left().length) {
          <p>Not included: {{ left().join(', ') }}.</p>
        }
        <p class="acts">
          <button yo-act main (click)="lay(clip)">Insert</button
          ><button yo-act slight (click)="asking.set(null)">Cancel</button>
        </p>
      </section>
    } @else if (site(); as site) {
      <ul aria-label="Kinds of section" cdkDropList cdkDropListSortingDisabled>
        @for (entry of shown(); track entry.id) {
          <li>
            <button
              yo-pick
              cdkDrag
              [cdkDragDisabled]="!entry.section"
              (cdkDragStarted)="pulls(true)"
              (cdkDragMoved)="over($event)"
              (cdkDragEnded)="drop($event, entry)"
              [disabled]="!entry.section"
              [attr.aria-label]="entry.section ? entry.label : entry.label + ': ' + entry.needs"
              (click)="take(entry)"
            >
              @if (entry.section; as section) {
                @defer (on viewport) {
                  <yo-section-card [section]="section" [site]="site" [css]="css()" />
                } @placeholder {
                  <span class="card"></span>
                }
              } @else {
                <span class="card note">{{ entry.needs }}.</span>
              }
              <span class="name"
                >{{ entry.label }} <span class="quiet">{{ entry.note }}</span></span
              >
              <span *cdkDragPreview class="held">{{ entry.label }}</span><span *cdkDragPlaceholder class="card"></span>
            </button>
          </li>
        }
      </ul>
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
      padding-bottom: 8px;
    }
    .end {
      margin-left: auto;
    }
    ul {
      display: flex;
      flex-wrap: wrap;
      gap: 10px 16px;
      overflow: auto;
      min-height: 0;
      padding: 2px;
    }
    li .yo-pick {
      display: block;
    }
    li .yo-pick:hover yo-section-card,
    li .yo-pick:focus-visible yo-section-card {
      outline: 2px solid #1a1a1a;
    }
    .card {
      display: grid;
      place-items: center;
      width: 224px;
      height: 116px;
      background: #eee;
      padding: 12px;
      text-align: center;
    }
    .held {
      padding: 4px 10px;
      background: #fff;
      border: 1px solid #1a1a1a;
      font-size: 13px;
    }
    .ask p {
      padding-bottom: 6px;
    }
    .fields {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 16px;
      padding-bottom: 8px;
    }
    .name {
      display: block;
      font-size: 12px;
      line-height: 20px;
    }
  `,
  hostDirectives: [FocusIn],
  host: { '(keydown.escape)': 'closed.emit(); $event.stopPropagation()' },
})
export class SectionShelf {
  readonly #editor = inject(Editor);
  readonly #taken = inject(CopiedSection);
  protected readonly keyOf = KEYS;
  /** Where it would go, in words. */
  readonly where = input.required<string>();
  readonly page = input.required<string>();
  /** The section it goes behind when it is pressed; absent: last. */
  readonly after = input<string>();
  readonly chosen = output<{ kind: SectionKind; at?: DropTarget }>();
  /** A kept section is laid in as the same one, by its id. */
  readonly same = output<{ kept: string; at?: DropTarget }>();
  /** A section was laid in by itself. */
  readonly laid = output<string>();
  readonly closed = output();
  protected readonly all = ALL;
  protected readonly uses = SECTION_USES;
  protected readonly use = signal<SectionUse | 'kept' | 'along' | null>(null);
  /** As it was when the shelf was opened: what is laid in changes the page, and no card. */
  protected readonly site = signal(this.#editor.current());
  protected readonly css = computed(() => {
    const site = this.site();
    return site ? siteCss(site, '/fonts/') : '';
  });
  /** Kinds as they would stand on the page, in its words. */
  readonly #kinds = computed((): readonly Shown[] => {
    const site = this.site();
    const page = site?.pages[this.page()];
    if (!site || !page) return [];
    const words = wordsOfPage(site, page);
    const shown = (kind: SectionKind) => inPageWords(words, layIn(site, kind, 'new', { title: page.title }));
    return ALL.map((kind) => ({
      id: kind.id,
      label: kind.label,
      note: '',
      kind,
      section: canLayIn(site, kind) ? shown(kind) : null,
      needs: needsOf(kind),
    }));
  });
  protected readonly kept = computed((): readonly Shown[] => {
    const site = this.site();
    return site
      ? Object.values(site.shared.sections).map((section) => ({
          id: section.id,
          label: section.label,
          note: `on ${plural(pagesWith(site, section.id).length, 'page')}`,
          kind: null,
          section,
        }))
      : [];
  });
  protected readonly shown = computed(() => {
    const use = this.use();
    if (use === 'along') return this.along() ? [this.along()!] : [];
    return use === 'kept' ? this.kept() : this.#kinds().filter(({ kind }) => use === null || kind!.use === use);
  });

  /** The section that was copied, as it would be here. */
  protected readonly along = computed((): Shown | undefined => {
    const [site, clip] = [this.site(), this.#taken.clip()];
    if (!site || !clip) return undefined;
    return {
      id: 'along',
      label: clip.section.label,
      note: clip.site === site.id ? 'copied' : 'from another site',
      kind: null,
      section: fromClip(site, clip, 'new').section,
      clip,
    };
  });
  protected readonly asking = signal<SectionClip | null>(null);
  #at: DropTarget | undefined;
  protected readonly choices = signal<Readonly<Record<string, string>>>({});
  protected readonly unsure = computed(() =>
    this.asking() && this.site() ? matchClip(this.site()!, this.asking()!).filter(({ sure }) => !sure) : [],
  );
  protected readonly left = computed(() =>
    this.asking() && this.site() ? fromClip(this.site()!, this.asking()!, 'new').left : [],
  );
  protected readonly names = {
    style: 'Style',
    ground: 'Background',
    variant: 'Variant',
    size: 'Size',
    space: 'Padding',
  } as const;
  protected options(target: Match['target']): { value: string; label: string }[] {
    const { brand } = this.site()!;
    const lists = {
      style: [brand.styleOrder, brand.styles],
      ground: [brand.groundOrder, brand.grounds],
      variant: [brand.variantOrder, brand.variants],
      size: [brand.sizeOrder, brand.sizes],
      space: [brand.spaceOrder, brand.spaces],
    } as const;
    const [order, record] = lists[target];
    return order.map((id) => ({
      value: id,
      label: (record as Readonly<Record<string, { readonly label: string }>>)[id]!.label,
    }));
  }
  protected choose({ target, from }: Match, to: string): void {
    this.choices.update((now) => ({ ...now, [`${target} ${from}`]: to }));
  }
  protected lay(clip: SectionClip): void {
    const id = freshId('x');
    const page = this.#at?.page ?? this.page();
    const after = this.#at ? this.#at.after : this.after();
    this.#editor.commit((site) => addClip(site, page, fromClip(site, clip, id, this.choices()), after));
    this.asking.set(null);
    this.laid.emit(id);
  }

  protected take({ kind, id, clip }: Shown, at?: DropTarget): void {
    const where = at ? { at } : {};
    if (clip) {
      this.#at = at;
      this.choices.set({});
      // Only what has no like is asked about.
      const site = this.site()!;
      if (matchClip(site, clip).every(({ sure }) => sure) && fromClip(site, clip, 'new').left.length === 0)
        this.lay(clip);
      else this.asking.set(clip);
    } else if (kind) this.chosen.emit({ kind, ...where });
    else this.same.emit({ kept: id, ...where });
  }

  /** While one is held the frames of the wall let the pointer through. */
  protected pulls(on: boolean): void {
    document.documentElement.classList.toggle('pulling', on);
  }
  /** Where a section would go that is dragged over the wall. */
  #line: HTMLElement | undefined;
  protected over({ pointerPosition }: CdkDragMove): void {
    this.#show(sectionAt(pointerPosition.x, pointerPosition.y));
  }
  /** The line stands over wall and desk alike: in neither of them. */
  #show(at: DropTarget | undefined): void {
    if (!at) {
      this.#line?.remove();
      this.#line = undefined;
      return;
    }
    if (!this.#line) {
      this.#line = document.createElement('div');
      this.#line.className = 'yo-goes';
      document.body.append(this.#line);
    }
    Object.assign(this.#line.style, {
      left: `${at.line.left}px`,
      top: `${at.line.top}px`,
      width: `${at.line.width}px`,
    });
  }
  protected drop({ dropPoint }: CdkDragEnd, entry: Shown): void {
    const at = sectionAt(dropPoint.x, dropPoint.y);
    this.#show(undefined);
    this.pulls(false);
    if (at) this.take(entry, at);
  }
}

/** Returns the parts that a kind of section shows and a site may lack. */
function needsOf({ columns }: SectionKind): string {
  const kinds = new Set(columns.flat().map(({ kind }) => kind));
  return kinds.has('items')
    ? 'needs a collection: add one under Collections'
    : kinds.has('download')
      ? 'needs a download: add one under Files'
      : 'needs an image: add one under Files';
}
