import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { SECTION_KINDS, SECTION_USES, canLayIn, layIn, pagesWith, plural, siteCss, type Section, type SectionKind, type SectionUse } from '@yohaku/core';
import { Editor } from '../../state/index.ts';
import { ACTS, FocusIn, KEYS } from '../../ui/index.ts';
import { SectionCard } from './section-card.ts';

const ALL: readonly SectionKind[] = Object.values(SECTION_KINDS);

/** What is shown on the shelf: a kind, or a section that was kept. Without a section the site lacks what it shows. */
interface Shown { readonly id: string; readonly label: string; readonly note: string; readonly kind: SectionKind | null; readonly section: Section | null }

/** The kinds of section there are, each in the brand, narrowed by what it is for; one is laid in by pressing it. */
@Component({
  selector: 'yo-section-shelf',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, SectionCard],
  template: `
    <div class="top">
      <span class="yo-joined" role="group" aria-label="For">
        <button yo-act slight [attr.aria-pressed]="use() === null" (click)="use.set(null)">all {{ all.length }}</button>
        @if (kept().length) { <button yo-act slight yoTip="Sections that were kept: laid in as the same one, edited once for all pages" [attr.aria-pressed]="use() === 'kept'" (click)="use.set('kept')">kept {{ kept().length }}</button> }
        @for (one of uses; track one) { <button yo-act slight [attr.aria-pressed]="use() === one" (click)="use.set(one)">{{ one }}</button> }
      </span>
      <span role="status">{{ where() }}</span>
      <button yo-act slight class="end" icon="close" yoTip="Closes the shelf" [yoKey]="keyOf.back" (click)="closed.emit()">Close</button>
    </div>
    @if (site(); as site) {
      <ul aria-label="Kinds of section">
        @for (one of shown(); track one.id) {
          <li>
            <button yo-pick [disabled]="!one.section" [attr.aria-label]="one.section ? one.label : one.label + ': needs a picture on the site'" (click)="take(one)">
              @if (one.section; as section) {
                @defer (on viewport) { <yo-section-card [section]="section" [site]="site" [css]="css()" /> } @placeholder { <span class="card"></span> }
              } @else { <span class="card note">Needs a picture: bring one in with Gather.</span> }
              <span class="name">{{ one.label }} <span class="quiet">{{ one.note }}</span></span>
            </button>
          </li>
        }
      </ul>
    }
  `,
  styles: `
    :host { display: flex; flex-direction: column; height: 100%; min-height: 0; }
    .top { display: flex; gap: 14px; align-items: center; padding-bottom: 8px; } .end { margin-left: auto; }
    ul { display: flex; flex-wrap: wrap; gap: 10px 16px; overflow: auto; min-height: 0; padding: 2px; }
    li .yo-pick { display: block; } li .yo-pick:hover yo-section-card, li .yo-pick:focus-visible yo-section-card { outline: 2px solid #1a1a1a; }
    .card { display: grid; place-items: center; width: 224px; height: 116px; background: #eee; padding: 12px; text-align: center; }
    .name { display: block; font-size: 12px; line-height: 20px; }
  `,
  hostDirectives: [FocusIn],
  host: { '(keydown.escape)': 'closed.emit(); $event.stopPropagation()' },
})
export class SectionShelf {
  readonly #editor = inject(Editor);
  protected readonly keyOf = KEYS;
  /** Title of the page it would stand on. */
  readonly title = input.required<string>();
  /** Where it would go, in words. */
  readonly where = input.required<string>();
  readonly chosen = output<SectionKind>();
  /** A kept section is laid in as the same one, by its id. */
  readonly same = output<string>();
  readonly closed = output();
  protected readonly all = ALL;
  protected readonly uses = SECTION_USES;
  protected readonly use = signal<SectionUse | 'kept' | null>(null);
  protected readonly site = this.#editor.current;
  protected readonly css = computed(() => {
    const site = this.site();
    return site ? siteCss(site, '/fonts/') : '';
  });
  /** Kinds as they would stand on the page. */
  readonly #kinds = computed((): readonly Shown[] => {
    const site = this.site();
    return site ? ALL.map((kind) => ({ id: kind.id, label: kind.label, note: '', kind, section: canLayIn(site, kind) ? layIn(site, kind, 'new', { title: this.title() }) : null })) : [];
  });
  protected readonly kept = computed((): readonly Shown[] => {
    const site = this.site();
    return site ? Object.values(site.shared.sections).map((section) => ({ id: section.id, label: section.label, note: `on ${plural(pagesWith(site, section.id).length, 'page')}`, kind: null, section })) : [];
  });
  protected readonly shown = computed(() => {
    const use = this.use();
    return use === 'kept' ? this.kept() : this.#kinds().filter(({ kind }) => use === null || kind!.use === use);
  });

  protected take({ kind, id }: Shown): void {
    if (kind) this.chosen.emit(kind);
    else this.same.emit(id);
  }
}
