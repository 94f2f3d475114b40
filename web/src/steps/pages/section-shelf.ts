import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { SECTION_KINDS, SECTION_USES, canLayIn, siteCss, type SectionKind, type SectionUse } from '@yohaku/core';
import { Editor } from '../../state/index.ts';
import { ACTS, FocusIn, KEYS } from '../../ui/index.ts';
import { KindCard } from './kind-card.ts';

const ALL: readonly SectionKind[] = Object.values(SECTION_KINDS);

/** The kinds of section there are, each in the brand, narrowed by what it is for; one is laid in by pressing it. */
@Component({
  selector: 'yo-section-shelf',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, KindCard],
  template: `
    <div class="top">
      <span class="yo-joined" role="group" aria-label="For">
        <button yo-act slight [attr.aria-pressed]="use() === null" (click)="use.set(null)">all {{ all.length }}</button>
        @for (one of uses; track one) { <button yo-act slight [attr.aria-pressed]="use() === one" (click)="use.set(one)">{{ one }}</button> }
      </span>
      <span role="status">{{ where() }}</span>
      <button yo-act slight class="end" icon="close" yoTip="Closes the shelf" [yoKey]="keyOf.back" (click)="closed.emit()">Close</button>
    </div>
    @if (site(); as site) {
      <ul aria-label="Kinds of section">
        @for (kind of shown(); track kind.id) {
          <li>
            <button yo-pick [disabled]="!can().has(kind.id)" [attr.aria-label]="can().has(kind.id) ? kind.label : kind.label + ': needs a picture on the site'" (click)="chosen.emit(kind)">
              @if (can().has(kind.id)) {
                @defer (on viewport) { <yo-kind-card [kind]="kind" [site]="site" [css]="css()" [title]="title()" /> } @placeholder { <span class="card"></span> }
              } @else { <span class="card note">Needs a picture: bring one in with Gather.</span> }
              <span class="name">{{ kind.label }}</span>
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
    li .yo-pick { display: block; } li .yo-pick:hover yo-kind-card, li .yo-pick:focus-visible yo-kind-card { outline: 2px solid #1a1a1a; }
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
  readonly closed = output();
  protected readonly all = ALL;
  protected readonly uses = SECTION_USES;
  protected readonly use = signal<SectionUse | null>(null);
  protected readonly site = this.#editor.current;
  protected readonly css = computed(() => {
    const site = this.site();
    return site ? siteCss(site, '/fonts/') : '';
  });
  protected readonly can = computed(() => {
    const site = this.site();
    return new Set(site ? ALL.filter((kind) => canLayIn(site, kind)).map(({ id }) => id) : []);
  });
  protected readonly shown = computed(() => ALL.filter((kind) => this.use() === null || kind.use === this.use()));
}
