import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  inject,
  linkedSignal,
  signal,
  viewChild,
} from '@angular/core';
import { Store } from '@ngrx/store';
import {
  SIFT_WEIGHTS,
  addLogoForm,
  applyChange,
  candidates,
  cutDownText,
  homePage,
  partFor,
  planTaking,
  plural,
  ripple,
  siteIndex,
  takePalette,
  type Asset,
  type Candidate,
  type Drop,
  type Edit,
  type Source,
  type RankingPart,
} from '@yohaku/core';
import {
  DeskActions,
  Editor,
  SourcesActions,
  PASTED,
  Reaching,
  Tray,
  deskFeature,
  freshId,
  sourcesFeature,
  type Pin,
  type Scope,
} from '../../state/index.ts';
import {
  ACTS,
  Choice,
  DropZone,
  KEYS,
  More,
  Subject,
  Pull,
  TextArea,
  TextField,
  nameProblem,
  type Pulled,
} from '../../ui/index.ts';
import { FilesField } from '../../ui/late/index.ts';
import { BringIn } from './bring-in.ts';
import { CostCurve } from './cost-curve.ts';
import { LogoPanel } from './logo-panel.ts';
import { PinPanel } from './pin-panel.ts';
import { rankingOrder } from './ranking-order.ts';

const ROW = 28;
/** How a design is compared with a page: as the last time, if that was with a page. */
const wayOver = (last: Pin['way'] | undefined): Pin['way'] => (last && last !== 'alone' ? last : 'fade');

/** The labels of the parts of a candidate's score. */
const SCORE_WORDS: Readonly<Record<RankingPart, string>> = {
  extent: 'area',
  role: 'role',
  spread: 'sources',
  apart: 'difference',
  use: 'usage',
};

/** Sources in, ranked with the swatches there are: how many are kept is the designer's, what dropping costs is said. */
@Component({
  selector: 'yo-sources',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ACTS,
    BringIn,
    Choice,
    CostCurve,
    LogoPanel,
    PinPanel,
    DropZone,
    FilesField,
    More,
    Subject,
    Pull,
    TextArea,
    TextField,
    Reaching,
  ],
  templateUrl: './sources-step.html',
  styleUrl: './sources-step.less',
})
export class SourcesStep {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly #tray = inject(Tray);
  protected readonly state = this.#store.selectSignal(sourcesFeature.selectSourcesState);
  readonly #sources = this.#store.selectSignal(sourcesFeature.selectSources);
  protected readonly cut = viewChild<ElementRef<HTMLElement>>('cut');
  protected readonly text = signal('');
  protected readonly chosen = signal<string | null>(null);
  protected readonly scoreWords = SCORE_WORDS;
  protected readonly weights = Object.entries(SIFT_WEIGHTS) as [RankingPart, number][];
  readonly #colors = computed(() => {
    const site = this.#editor.current();
    return site ? candidates(site, this.#sources()) : [];
  });
  protected readonly ranking = computed(() =>
    rankingOrder(this.#colors(), this.#sources(), this.state().count, this.state().choices),
  );
  protected readonly curve = computed(() => ({
    costs: this.ranking().costs,
    bestTradeOff: this.ranking().bestTradeOff,
    kept: this.ranking().kept.length,
    cost: this.ranking().cost,
  }));
  protected readonly plan = computed(() =>
    planTaking(
      this.#colors(),
      new Set(this.ranking().kept.map((entry) => entry.color.id)),
      Object.fromEntries(Object.entries(this.state().choices).map(([id, { replacement }]) => [id, replacement])),
    ),
  );
  protected readonly hand = computed(() => this.state().hand);
  protected readonly piece = computed(() => this.#sources().find((source) => source.id === this.chosen()));

  /** A file of tokens that is looked at before it is taken. */
  protected readonly tokens = signal<{ name: string; content: Blob } | null>(null);

  protected drop(data: DataTransfer): void {
    const tokens = [...data.files].find((file) => /\.json$/i.test(file.name));
    if (tokens) this.tokens.set({ name: tokens.name, content: tokens });
    else void this.#tray.drop(data);
  }
  protected choose(files: readonly File[]): void {
    void this.#tray.add(files.map((file) => ({ name: file.name, content: file })));
  }
  protected chooseTokens([file]: readonly File[]): void {
    if (file) this.tokens.set({ name: file.name, content: file });
  }
  protected chooseFolder(files: readonly File[]): void {
    const name = files[0]?.webkitRelativePath.split('/')[0] ?? 'Folder';
    if (files.length > 0)
      void this.#tray.addFolder(
        name,
        files.map((file) => ({ path: file.webkitRelativePath, file })),
      );
  }
  /** Reads the typed text, which stays until it is read. */
  protected async read(): Promise<void> {
    const text = this.text();
    if ((await this.#tray.addText(text, PASTED)) && this.text() === text) this.text.set('');
  }
  protected paste(event: ClipboardEvent): void {
    const files = [...(event.clipboardData?.files ?? [])];
    if (files.length === 0) return;
    event.preventDefault();
    void this.#tray.add(files.map((file) => ({ name: file.name || 'Pasted image', content: file })));
  }
  protected putAway(piece: Source): void {
    void this.#tray.putAway(piece.id);
  }
  protected putBack(): void {
    void this.#tray.putBack();
  }

  readonly #hanging = this.#store.selectSignal(deskFeature.selectHanging);
  /** Returns true if the desk shows the logo: it stays while the pages are looked at, until the sources hang again. */
  protected readonly logoSelected = linkedSignal<string, boolean>({
    source: this.#hanging,
    computation: (hanging, before) => hanging === 'logo' || (hanging !== 'sources' && before?.value === true),
  });
  protected readonly pinSelected = computed(() => this.#hanging() === 'pin' && this.state().pin !== null);
  protected readonly pinScope: Scope = { words: 'The comparison is only shown; no place changes' };
  protected readonly logoScope: Scope = {
    words: 'The logo is in the header of every page, and in sections that show it',
  };

  /** A picture that is not a form of the logo yet. */
  protected canBeLogo(piece: Source): boolean {
    const site = this.#editor.current();
    return (
      !!piece.picture &&
      !!site &&
      !Object.values(site.shared.logo?.forms ?? {}).some(
        (form) => site.assets[form.asset]?.hash === piece.picture!.hash,
      )
    );
  }
  /**
   * Hangs a drawn design over a page at the width it was drawn at; one drawn twice as large, at half of it.
   *
   * @param asked the way it is shown; without one, laid over the page as it was the last time
   */
  protected pin(piece: Source, asked?: Pin['way']): void {
    const site = this.#editor.current();
    const known = this.state().pin;
    if (!site) return;
    const drawn = piece.size!.width;
    const width = Math.max(320, Math.min(1920, drawn > 1600 ? Math.round(drawn / 2) : drawn));
    const page = known && site.pages[known.page] ? known.page : (homePage(site)?.id ?? site.pageOrder[0]!);
    this.#store.dispatch(
      SourcesActions.pin({
        pin:
          known?.sources === piece.id
            ? { ...known, way: asked ?? wayOver(known.way) }
            : { sources: piece.id, page, width, way: asked ?? wayOver(known?.way), amount: known?.amount ?? 0.5 },
      }),
    );
    this.#store.dispatch(DeskActions.hang({ hanging: 'pin' }));
  }
  protected useAsLogo(piece: Source): void {
    const { picture, size, colors } = piece;
    const id = freshId('logo');
    const shares = colors.map(({ hex, share }) => ({ hex: hex.slice(0, 7), share: Math.round(share * 1000) / 1000 }));
    this.#editor.commit((site) => {
      const known = Object.values(site.assets).find((entry) => entry.hash === picture!.hash);
      const asset: Asset = known ?? {
        id,
        name: piece.name.slice(0, 80),
        hash: picture!.hash,
        type: picture!.type as Asset['type'],
        ...size!,
        colors: shares,
      };
      return addLogoForm(site, asset, { id, plate: picture!.plate, colors: shares });
    });
    this.#store.dispatch(DeskActions.hang({ hanging: 'logo' }));
  }

  /** Takes a colour in hand: its occurrences are outlined on the wall. */
  protected take(color: Candidate): void {
    this.#store.dispatch(SourcesActions.hand({ hand: this.holds(color) ? [] : color.alike }));
  }
  protected holds(color: Candidate): boolean {
    return color.alike.some((name) => this.hand().includes(name));
  }
  protected keep(color: Candidate, keep: boolean): void {
    this.#store.dispatch(SourcesActions.decide({ color: color.id, choice: { keep } }));
  }
  protected name(color: Candidate): string {
    return this.state().choices[color.id]?.name ?? color.label;
  }
  protected rename(color: Candidate, name: string): void {
    this.#store.dispatch(SourcesActions.decide({ color: color.id, choice: { name } }));
  }
  protected readonly checkName = nameProblem('A swatch');

  /** Returns the cost of dropping one colour, in words. */
  protected costOf({ color, replacement, deltaE }: Drop<Candidate>, named = true): string {
    const where = replacement
      ? `${named ? `${this.name(replacement)} ` : ''}replaces it, ΔE ${cutDownText(deltaE, 3)} away`
      : 'no replacement';
    return color.places > 0 ? `${where}; ${plural(color.places, 'place')}, ${plural(color.pairs, 'pair')}` : where;
  }

  protected count(count: number): void {
    const most = this.ranking().kept.length + this.ranking().dropped.length;
    this.#store.dispatch(SourcesActions.count({ count: Math.max(1, Math.min(most, count)) }));
    // The line goes where the list has grown to: it stays in sight.
    requestAnimationFrame(() => this.cut()?.nativeElement.scrollIntoView({ block: 'nearest' }));
  }
  protected keyLine(event: KeyboardEvent): void {
    const by = KEYS.cut.by(event);
    if (by !== 0) this.count(this.ranking().kept.length + by);
  }
  /** Draws the line between what is in and what is out; a row is a colour. */
  #pulledFrom = 0;
  protected hold(): void {
    this.#pulledFrom = this.ranking().kept.length;
  }
  protected pull({ dy }: Pulled): void {
    this.count(this.#pulledFrom + Math.round(dy / ROW));
  }

  /** Ids of what would be new, the same for the wall's look at it and for the edit. */
  readonly #ids = new Map<string, string>();
  readonly #edit = computed((): Edit | undefined => {
    const site = this.#editor.current();
    const plan = this.plan();
    if (!site) return undefined;
    const idOf = (id: string) => {
      const known = this.#ids.get(id);
      // A colour that was applied and undone is new again.
      const fresh = known !== undefined && site.brand.swatches[known] === undefined ? known : freshId('s');
      this.#ids.set(id, fresh);
      return fresh;
    };
    return takePalette(
      site,
      plan,
      new Map(
        plan.adds.map((color) => [color.id, { id: idOf(color.id), label: this.name(color), part: this.part(color) }]),
      ),
    );
  });
  /** While the button is pointed at or in focus, the wall shows the pages as they would be. */
  protected tries(on: boolean): void {
    const edit = this.#edit();
    if (on && edit) this.#editor.preview(() => edit);
    else this.#editor.cancel();
  }
  /** Returns the label of a candidate's role in the brand. */
  protected partWord(color: Candidate): string {
    return this.part(color) === 'core' ? 'core' : 'supporting';
  }
  protected part(color: Candidate): 'core' | 'side' {
    return this.state().choices[color.id]?.part ?? partFor(color);
  }
  protected turnPart(color: Candidate): void {
    this.#store.dispatch(
      SourcesActions.decide({ color: color.id, choice: { part: this.part(color) === 'core' ? 'side' : 'core' } }),
    );
  }
  /** The replacement of each dropped swatch. */
  protected readonly replacements = computed(() => new Map(this.plan().drops.map((drop) => [drop.color.id, drop])));
  protected readonly keptOptions = computed(() =>
    this.ranking().kept.map(({ color }) => ({ value: color.id, label: this.name(color), color: color.hex })),
  );
  protected replace(color: Candidate, replacement: string): void {
    this.#store.dispatch(SourcesActions.decide({ color: color.id, choice: { replacement } }));
  }

  protected apply(): void {
    const plan = this.plan();
    const edit = this.#edit();
    if (!edit) return;
    this.#editor.commit(() => edit);
    this.#store.dispatch(
      SourcesActions.taken({
        colors: [...plan.adds, ...plan.drops.map((drop) => drop.color)].map((candidate) => candidate.id),
      }),
    );
  }

  /** The effect of applying the palette, in words. */
  protected readonly says = computed(() => {
    const { adds, drops } = this.plan();
    // Worked out from the edit itself: what follows a swatch by rule changes with it.
    const site = this.#editor.current();
    const edit = this.#edit();
    const places = site && edit ? siteIndex(site).countOf(ripple(site, applyChange(site, edit).site).changed) : 0;
    const parts = [
      ...(adds.length ? [`adds ${adds.map((candidate) => this.name(candidate)).join(', ')}`] : []),
      ...(drops.length
        ? [
            `drops ${drops.map((drop) => `${drop.color.label} (to ${drop.replacement ? this.name(drop.replacement) : 'nothing'})`).join(', ')}`,
          ]
        : []),
    ];
    return parts.length > 0
      ? [...parts, `${plural(places, 'place')} ${places === 1 ? 'changes' : 'change'}`].join('; ')
      : '';
  });
  /** True if the palette is shown, and no file, logo or comparison in its place. */
  protected readonly palette = computed(() => !this.tokens() && !this.pinSelected() && !this.logoSelected());
  readonly #pinned = computed(() => this.state().sources.find((source) => source.id === this.state().pin?.sources));
  /** The number of colours in the palette, and the effect of applying it. */
  protected readonly headline = computed(() => {
    if (!this.palette())
      return {
        subject: this.tokens()?.name ?? (this.pinSelected() ? this.#pinned()!.name : 'Logo'),
        figure: plural(this.state().sources.length, 'source'),
      };
    return {
      subject: plural(this.ranking().kept.length, 'colour'),
      figure: this.says() || `${plural(this.state().sources.length, 'source')}; the palette has these colours`,
    };
  });
  protected readonly scope = computed((): Scope => ({
    words: this.plan().drops.length ? `Taking this ${this.says()}` : 'New swatches are used in no place yet',
  }));
  protected readonly plural = plural;
  protected readonly figure = cutDownText;
  protected readonly parts = Object.keys(SIFT_WEIGHTS) as RankingPart[];
}
