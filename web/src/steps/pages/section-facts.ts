import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import {
  ARRANGEMENTS,
  BANDS,
  anchorSection,
  arrangementOf,
  gradientBehind,
  hideSection,
  pagesWith,
  pictureBehind,
  plural,
  removeKept,
  sectionAddress,
  sectionOf,
  setValue,
  valueAt,
  type BandId,
  type Section,
} from '@yohaku/core';
import { Editor, Reaching, CopiedSection, freshId, pictureWhole, type Scope } from '../../state/index.ts';
import { ACTS, Choice, FocusIn, KEYS, NumberField, TextField } from '../../ui/index.ts';
import { FocusPoint, type PicturePoint } from '../../ui/late/index.ts';

/** Where a section may be hidden, as one choice. */
const SHOWN: readonly { readonly value: string; readonly label: string; readonly hidden: readonly BandId[] }[] = [
  { value: '', label: 'at every width', hidden: [] },
  { value: 'phone', label: 'not on phones', hidden: ['phone'] },
  { value: 'desktop', label: 'not on desktops', hidden: ['desktop'] },
  { value: 'tablet,desktop', label: 'on phones only', hidden: ['tablet', 'desktop'] },
  { value: 'phone,tablet', label: 'on desktops only', hidden: ['phone', 'tablet'] },
];

/** The details of a section: arrangement, visibility by width, anchor, background image. */
@Component({
  selector: 'yo-section-facts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, FocusPoint, NumberField, TextField, Reaching],
  template: `
    @if (section(); as section) {
      <div class="top">
        <span class="strong">{{ section.label }}</span><span class="note">{{
          kept()
            ? 'A reused section: arrangement and image are the same on every page; visibility and anchor apply to this page only.'
            : 'On this page only.'
        }}</span
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
      <div class="fields" [yoReaching]="scope()">
        <yo-choice
          label="Arrangement"
          [value]="arrangement()"
          [options]="arrangements()"
          [width]="180"
          (chosen)="arrange($event)"
          (tried)="tryOut($event)"
        />
        @if (entry(); as entry) {
          <yo-choice
            label="Shown"
            [value]="(entry.hidden ?? []).join(',')"
            [options]="shown()"
            [width]="150"
            (chosen)="hide($event)"
          />
          <yo-text
            label="Anchor (#)"
            [value]="entry.anchor ?? ''"
            width="190px"
            [mono]="true"
            placeholder="none"
            [check]="checkAnchor"
            (done)="anchor($event)"
          />
        }
        <yo-choice
          label="Background image"
          [value]="section.picture?.asset ?? ''"
          [options]="pictures()"
          [width]="170"
          (chosen)="behind($event)"
        />
        <p class="act">
          <span class="head">Background</span
          ><button
            yo-act
            yoTip="Makes a background with a gradient to the next colour; edit it in Backgrounds"
            (click)="gradient()"
          >
            Make gradient
          </button>
        </p>
        <p class="act">
          <span class="head">Copy section</span
          ><button
            yo-act
            icon="copy"
            yoTip="For another page or site: find it under Add a section, copied"
            (click)="take()"
          >
            Copy</button
          ><span role="status" class="note">{{ taken() }}</span>
        </p>
        @if (section.picture; as picture) {
          <yo-number
            label="Darken, %"
            range="share"
            [factor]="100"
            [digits]="0"
            [value]="picture.shade"
            (done)="shade($event)"
          />
          <yo-number
            label="Focus from left, %"
            range="share"
            [factor]="100"
            [digits]="0"
            [value]="picture.focus?.x ?? 0.5"
            (done)="focus('x', $event)"
          />
          <yo-number
            label="from top, %"
            range="share"
            [factor]="100"
            [digits]="0"
            [value]="picture.focus?.y ?? 0.5"
            (done)="focus('y', $event)"
          />
          @if (behindNow(); as entry) {
            <yo-focus-point
              [label]="'Focus point of ' + entry.name"
              [src]="entry.src"
              [width]="entry.width"
              [height]="entry.height"
              [point]="picture.focus ?? { x: 0.5, y: 0.5 }"
              (held)="focusAt($event, 'preview')"
              (done)="focusAt($event)"
            />
          }
          <p class="note beside">
            Click the part of the image that stays visible when cropped. Text that fails over the image is listed in
            Check.
          </p>
        }
      </div>
      @if (keptId(); as id) {
        <p class="acts">
          <span class="note">Reused on {{ count(stands(), 'page') }}.</span>
          <yo-delete
            [name]="section.label"
            label="Stop sharing on all pages"
            [words]="'Each of ' + count(stands(), 'page') + ' keeps its own copy.'"
            (done)="removeKept(id, true)"
          />
          <yo-delete
            [name]="section.label"
            label="Delete it everywhere"
            [words]="'It is deleted from ' + count(stands(), 'page') + '.'"
            (done)="removeKept(id, false)"
          />
        </p>
      }
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
    .act {
      display: flex;
      flex-direction: column;
      align-items: flex-start;
    }
    .acts {
      display: flex;
      gap: 8px;
      align-items: center;
      padding-bottom: 6px;
    }
    .beside {
      max-width: 380px;
    }
    yo-focus-point {
      margin-top: 2px;
    }
    .fields {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 16px;
      align-items: flex-start;
      padding-bottom: 8px;
    }
  `,
  hostDirectives: [FocusIn],
  host: { '(keydown.escape)': 'closed.emit(); $event.stopPropagation()' },
})
export class SectionFacts {
  readonly #editor = inject(Editor);
  protected readonly keyOf = KEYS;
  readonly page = input.required<string>();
  readonly id = input.required<string>();
  readonly closed = output();

  readonly #site = this.#editor.shown;
  protected readonly entry = computed(() => this.#site()?.pages[this.page()]?.sections[this.id()]);
  protected readonly section = computed((): Section | undefined => {
    const [site, entry] = [this.#site(), this.entry()];
    if (!site) return undefined;
    const page = site.pages[this.page()];
    const kept =
      this.id() === 'header' || this.id() === 'footer' ? page?.[this.id() as 'header' | 'footer'] : undefined;
    if (kept !== undefined) return site.shared.sections[kept];
    return this.id() === 'footer' ? site.shared.footer : entry && sectionOf(site, entry);
  });
  protected readonly kept = computed(() => !!this.entry() && 'shared' in this.entry()!);
  protected readonly keptId = computed(() => {
    const entry = this.entry();
    return entry && 'shared' in entry ? entry.shared : undefined;
  });
  protected readonly stands = computed(() =>
    this.#site() && this.keptId() ? pagesWith(this.#site()!, this.keptId()!).length : 0,
  );
  protected readonly count = plural;
  protected removeKept(id: string, own: boolean): void {
    this.#editor.commit((site) => removeKept(site, id, own, () => freshId('x')));
    this.closed.emit();
  }
  protected readonly scope = computed((): Scope => ({ page: this.page(), section: this.id() }));
  protected readonly arrangement = computed(() => (this.section() ? arrangementOf(this.section()!).id : ''));
  protected readonly arrangements = computed(() => {
    const columns = this.section()?.columnOrder.length ?? 1;
    return ARRANGEMENTS.filter(({ columns: { min, max } }) => columns >= min && columns <= max).map(
      ({ id, label }) => ({ value: id, label }),
    );
  });
  protected readonly shown = computed(() => {
    const now = this.entry()?.hidden?.join(',') ?? '';
    const known = SHOWN.some(({ value }) => value === now);
    return [
      ...SHOWN,
      ...(known
        ? []
        : [
            {
              value: now,
              label: `not on ${this.entry()!
                .hidden!.map((band) => BANDS.find(({ id }) => id === band)!.id)
                .join(' and ')}`,
            },
          ]),
    ];
  });
  protected readonly pictures = computed(() => [
    { value: '', label: 'none' },
    ...Object.values(this.#site()?.assets ?? {}).map(({ id, name }) => ({ value: id, label: name })),
  ]);

  readonly #along = inject(CopiedSection);
  protected readonly taken = signal('');
  protected take(): void {
    this.#along.take(this.#editor.current()!, this.section()!, { page: this.page(), entry: this.id() });
    this.taken.set('Copied. It is first under Add a section, here and in other sites.');
  }
  protected gradient(): void {
    const id = freshId('g');
    this.#editor.commit((site) => gradientBehind(site, this.#address(), valueAt(site, this.#address()) as Section, id));
  }
  /** An arrangement that is pointed at is seen on the wall. */
  protected tryOut(value: string | null): void {
    if (value === null) return this.#editor.cancel();
    this.#editor.preview((site) =>
      setValue(
        site,
        'Arrangement',
        [...this.#address(), 'arrangement'],
        value === ARRANGEMENTS[0]!.id ? undefined : value,
      ),
    );
  }
  protected arrange(value: string): void {
    this.#set('Arrangement', 'arrangement', value === ARRANGEMENTS[0]!.id ? undefined : value);
  }
  protected hide(value: string): void {
    const hidden = SHOWN.find((entry) => entry.value === value)?.hidden;
    if (hidden) this.#editor.commit((site) => hideSection(site, this.page(), this.id(), hidden));
  }
  protected readonly checkAnchor = (text: string): string => {
    if (text === '') return '';
    if (!/^[a-z0-9]+(?:-[a-z0-9]+)*$/.test(text) || text.length > 60)
      return 'Use lower-case letters, digits and hyphens, at most 60: opening-hours.';
    const other = Object.values(this.#site()!.pages[this.page()]!.sections).find(
      (section) => section.id !== this.id() && section.anchor === text,
    );
    return other ? `“${sectionOf(this.#site()!, other)!.label}” already has this anchor.` : '';
  };
  protected anchor(text: string): void {
    this.#editor.commit((site) => anchorSection(site, this.page(), this.id(), text));
  }
  protected behind(asset: string): void {
    this.#editor.commit((site) =>
      pictureBehind(site, this.#address(), valueAt(site, this.#address()) as Section, asset || null),
    );
  }
  protected shade(share: number): void {
    this.#set('Darken', 'picture.shade', share);
  }
  /** The picture behind it, whole. */
  protected readonly behindNow = computed(() => pictureWhole(this.#site(), this.section()?.picture?.asset));
  protected focusAt(at: PicturePoint, phase: 'preview' | 'commit' = 'commit'): void {
    this.#set('Focus', 'picture.focus', at, phase);
  }
  protected focus(axis: 'x' | 'y', share: number): void {
    this.#set('Focus', 'picture.focus', { x: 0.5, y: 0.5, ...this.section()!.picture!.focus, [axis]: share });
  }
  #address(): string[] {
    return sectionAddress(this.#editor.current()!, this.page(), this.id());
  }
  #set(what: string, field: string, value: unknown, phase: 'preview' | 'commit' = 'commit'): void {
    this.#editor[phase]((site) =>
      setValue(site, `${what} of ${this.section()!.label}`, [...this.#address(), ...field.split('.')], value),
    );
  }
}
