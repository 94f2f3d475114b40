import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  HostListener,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { BrandFaultsLine } from '../brand-faults-line.ts';
import { Store } from '@ngrx/store';
import {
  RULES,
  useOwnToken,
  cutDownText,
  keepOverride,
  failingCauses,
  fixOfPicture,
  offeredFixes,
  nearestToken,
  matchRawValues,
  plural,
  publishedPage,
  setValues,
  siteIndex,
  tokenTable,
  type FailingCause,
  type Finding,
  type Fix,
  type RuleId,
  type SetValue,
} from '@yohaku/core';
import {
  DeskActions,
  Editor,
  PixelsRead,
  auditFeature,
  differingPlaces,
  deskFeature,
  siteFeature,
  type Row,
  Reading,
  Reaching,
  type TextOver,
} from '../../state/index.ts';
import { checkHeadline } from './check-headline.ts';
import { CheckView, type CheckList } from '../../desk/check-view.ts';
import { ACTS, KEYS, Subject, TextField, VerdictRule, remember, remembered } from '../../ui/index.ts';
import { Cell, ListTable, type Column } from '../../ui/late/index.ts';
import { plainRow, rowOfValue, rowOfDifference } from './check-rows.ts';

/** The key under which the way of listing is remembered. */
const BY_PLACE = 'yohaku-check-by-place';
/** So many places of a cause are named. */
const NAMED = 5;

const NAMES: Record<CheckList, string> = {
  worse: 'Worse',
  changed: 'Changed',
  failing: 'Failing',
  unknown: 'Not yet measured',
  held: 'Overrides',
  stray: 'Raw values',
  differences: 'Rendered differently',
  all: 'All places',
};

/** The effect of the last edit, all failing places, overrides and raw values, and their fixes. */
@Component({
  selector: 'yo-check',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BrandFaultsLine, ACTS, Cell, ListTable, Subject, VerdictRule, TextField, Reaching],
  templateUrl: './check-step.html',
  styleUrl: './check-step.less',
  host: { '[class.reading]': 'reading()' },
})
export class CheckStep {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly #view = inject(CheckView);
  readonly #pixels = inject(PixelsRead);
  protected readonly report = this.#store.selectSignal(auditFeature.selectReport);
  protected readonly ripple = this.#store.selectSignal(auditFeature.selectRipple);
  readonly #layout = this.#store.selectSignal(auditFeature.selectLayoutWorse);
  readonly #compared = this.#store.selectSignal(auditFeature.selectDifferences);
  readonly #done = this.#store.selectSignal(siteFeature.selectDone);
  readonly #grown = this.#store.selectSignal(deskFeature.selectGrown);
  protected readonly list = this.#view.list;
  protected readonly at = signal(0);
  protected readonly leaving = signal(false);
  protected readonly names = NAMES;
  protected readonly reading = inject(Reading).only;

  /** Failures are listed by cause, one row for all that one fix puts right, or place by place. */
  readonly #byPlace = signal(remembered(BY_PLACE) === 'yes');
  protected readonly byCause = computed(() => this.list() === 'failing' && !this.#byPlace());
  protected setBy(by: 'cause' | 'place'): void {
    this.#byPlace.set(by === 'place');
    this.at.set(0);
    remember(BY_PLACE, by === 'place' ? 'yes' : 'no');
  }
  protected readonly causes = computed(() => failingCauses(this.report()?.failing ?? []));
  readonly #causeOf = computed(() => new Map(this.causes().map((cause) => [cause.worst, cause])));
  protected causeOf(row: Row): FailingCause<Row> | undefined {
    return this.byCause() ? this.#causeOf().get(row) : undefined;
  }
  /** Returns the name of a cause: the token that the value comes from, or the place. */
  protected causeName(row: Row): string {
    const site = this.#editor.current();
    return (site && tokenTable(site.brand).get(row.tokens[0] ?? '')?.label) || row.label;
  }
  /** The places of the selected cause, with a few of them by name. */
  protected readonly places = computed(() => {
    const row = this.row();
    const cause = row && this.causeOf(row);
    if (!cause || cause.places < 2) return undefined;
    const known = new Map(cause.rows.map((entry) => [`${entry.page} ${entry.place}`, entry]));
    return { all: known.size, first: [...known.values()].slice(0, NAMED) };
  });
  protected showPlace(row: Row): void {
    if (this.#grown() !== row.page) this.#store.dispatch(DeskActions.grow({ page: row.page }));
    this.#store.dispatch(DeskActions.choose({ choice: { place: { page: row.page, id: row.place } } }));
  }
  protected readonly values = computed(() => (this.#editor.current() ? setValues(this.#editor.current()!) : []));
  protected readonly rows = computed((): readonly Row[] => {
    const report = this.report();
    const ripple = this.ripple();
    switch (this.list()) {
      case 'worse':
        return [...(ripple?.worseRows ?? []), ...this.#layout()];
      case 'changed':
        return [...(ripple?.changedRows ?? []), ...(ripple?.heldRows ?? [])];
      case 'failing':
        return this.byCause() ? this.causes().map(({ worst }) => worst) : (report?.failing ?? []);
      case 'unknown':
        return report?.unknown ?? [];
      case 'held':
      case 'stray':
        return this.values()
          .filter((value) => value.standing === this.list())
          .map(rowOfValue);
      case 'differences':
        return differingPlaces(this.#compared()).map(rowOfDifference);
      case 'all':
        return this.#allPlaces();
    }
  });
  protected matchAll(): void {
    this.#editor.commit((site) => matchRawValues(site));
  }
  /** Places and rows are told apart: a place may fail in more than one way. */
  protected readonly findings = computed(() => {
    const rows = this.byCause() ? (this.report()?.failing ?? []) : this.rows();
    const places = new Set(rows.map((row) => `${row.page} ${row.place}`)).size;
    return places === rows.length
      ? ''
      : `${plural(rows.length, 'finding')} at ${plural(places, 'place')}: a place can fail in more than one way or state.`;
  });
  protected readonly table = viewChild(ListTable<Row>);
  /** The rows in the order in which they stand there. */
  protected readonly shown = computed(() => this.table()?.ordered() ?? this.rows());
  protected readonly columns = computed((): readonly Column<Row>[] => {
    const list = this.list();
    if (this.byCause()) return this.#causeColumns;
    const told = list === 'held' || list === 'stray' || list === 'unknown' || list === 'differences';
    return [
      { id: 'label', label: 'Place', value: (row) => row.label, fixed: true },
      { id: 'page', label: 'Page', width: 120, value: (row) => this.page(row.page), filter: true },
      { id: 'width', label: 'Width', width: 66, value: (row) => row.width, mono: true, filter: true },
      { id: 'state', label: 'State', width: 72, value: (row) => row.state, filter: true },
      {
        id: 'found',
        label: told ? 'Why' : 'Measured',
        ...(told ? {} : { width: 100 }),
        value: (row) => row.found ?? row.reason,
        fixed: true,
      },
      ...(told || list === 'all'
        ? []
        : [
            {
              id: 'needed',
              label: 'Required',
              width: 62,
              value: (row: Row) => (row.rule ? Number(cutDownText(row.needed, 1)) : null),
              mono: true,
            },
          ]),
    ];
  });
  readonly #causeColumns: readonly Column<Row>[] = [
    { id: 'label', label: 'Cause', width: 300, value: (row) => this.causeName(row), fixed: true },
    { id: 'places', label: 'Places', width: 60, value: (row) => this.causeOf(row)?.places ?? 1, right: true },
    { id: 'page', label: 'On', value: (row) => this.#pagesOf(row) },
    { id: 'found', label: 'Measured', width: 110, value: (row) => row.found ?? row.reason, fixed: true },
    { id: 'needed', label: 'Required', width: 74, value: (row) => Number(cutDownText(row.needed, 1)), right: true },
  ];
  #pagesOf(row: Row): string {
    const pages = this.causeOf(row)?.pages ?? [row.page];
    return pages.length === 1 ? this.page(pages[0]!) : plural(pages.length, 'page');
  }
  protected readonly moreLines = computed(() => new Set(this.#layout().map((row) => `${row.page} ${row.place}`)).size);
  readonly #measuring = this.#store.selectSignal(auditFeature.selectMeasuring);
  protected readonly none = computed(() =>
    this.list() === 'failing'
      ? this.#measuring()
        ? 'Nothing fails yet. Some pages are still being measured.'
        : 'Nothing fails.'
      : this.list() === 'worse'
        ? this.#measuring()
          ? 'Nothing yet. Some pages are still being measured.'
          : 'The last edit made nothing worse.'
        : 'Nothing here.',
  );
  protected readonly lists = computed(() => {
    const report = this.report();
    const ripple = this.ripple();
    const entry = (id: CheckList, count: number) => ({ id, label: NAMES[id], count });
    return [
      ...(ripple
        ? [
            entry('worse', ripple.worse + new Set(this.#layout().map((row) => `${row.page} ${row.place}`)).size),
            entry('changed', ripple.changed),
          ]
        : []),
      entry('failing', report?.tally.failing ?? 0),
      entry('unknown', report?.counts.cannotTell ?? 0),
      entry('held', report?.tally.held ?? 0),
      entry('stray', report?.tally.stray ?? 0),
    ];
  });
  protected readonly row = computed(() => this.shown()[Math.min(this.at(), this.shown().length - 1)]);
  protected readonly why = computed(() => {
    const site = this.#editor.current();
    const row = this.row();
    return site && row
      ? row.tokens.map((path) => tokenTable(site.brand).get(path)).filter((token) => token !== undefined)
      : [];
  });
  /** Returns true if a rule asks for no more than so much. */
  protected readonly mostOf = (rule: RuleId): boolean => RULES[rule].most === true;
  protected readonly asks = computed(() => (this.row()?.rule ? RULES[this.row()!.rule!] : undefined));
  /** The row in hand as what failed, when it is that. */
  readonly #finding = computed((): Finding | undefined => {
    const site = this.#editor.current();
    const row = this.row();
    const place =
      site && row?.rule && row.verdict === 'fail'
        ? siteIndex(site).byAddress.get(`${row.page} ${row.place}`)
        : undefined;
    return place && { ...row!, rule: row!.rule!, verdict: 'fail', place };
  });
  protected readonly fixes = computed((): Fix[] => {
    const [site, finding] = [this.#editor.current(), this.#finding()];
    const over = this.pictured()?.fixes.map(fixOfPicture) ?? [];
    return site && finding ? [...offeredFixes(site, finding), ...over] : [];
  });
  /** The text in hand, when it fails over a picture or a gradient. */
  readonly #over = computed((): TextOver | null => {
    const [site, row] = [this.#editor.current(), this.row()];
    const place =
      site && row?.rule === 'text-contrast' && row.verdict === 'fail'
        ? siteIndex(site).byAddress.get(`${row.page} ${row.place}`)
        : undefined;
    if (!row || !place?.overPicture) return null;
    // It is ringed where the page hangs: at the width of its band.
    return {
      page: row.page,
      place: row.place,
      state: row.state,
      width: row.width,
      needed: row.needed,
      hung: row.width >= 1024 ? 1280 : 390,
      surface: place.pictured ? place.under!.id : null,
    };
  });
  /** The problem of a text over an image, its weakest spot and its fixes, computed by the worker. */
  protected readonly pictured = computed(() => (this.#over() ? this.#pixels.found() : null));
  protected readonly ringed = computed((): string => {
    const [text, found] = [this.#over(), this.#pixels.found()];
    if (!text || !found) return '';
    if (!found.spot) return '; it passes at 1280 and 390 px';
    return text.width === text.hung
      ? ' (ringed)'
      : `; on the page of ${text.hung} px, where the ratio is ${cutDownText(found.spot.ratio)} (ringed)`;
  });
  /** The value set on the place in hand, when the list is about those. */
  protected readonly value = computed((): SetValue | undefined => {
    const row = this.row();
    return row && (this.list() === 'held' || this.list() === 'stray')
      ? this.values().find((value) => value.override.id === row.tokens[0])
      : undefined;
  });
  protected readonly nearest = computed(() => {
    const value = this.value();
    return value?.place ? nearestToken(this.#editor.current()!, value.override, value.place) : undefined;
  });
  protected readonly undoLabel = computed(() => this.#done().at(-1)?.label);

  constructor() {
    effect(() => {
      const [text, found] = [this.#over(), this.#pixels.found()];
      this.#pixels.spot.set(
        text && found?.spot ? { page: text.page, width: text.hung, x: found.spot.x, y: found.spot.y } : null,
      );
    });
    effect(() => this.#pixels.asked.set(this.#over()));
    inject(DestroyRef).onDestroy(() => {
      this.#pixels.spot.set(null);
      this.#pixels.asked.set(null);
    });
    effect(() => {
      this.list();
      this.at.set(0);
      this.leaving.set(false);
    });
  }

  protected readonly headline = computed(() => checkHeadline(this.report()?.counts, this.causes().length));

  protected open(list: CheckList): void {
    this.list.set(list);
  }
  protected go(index: number): void {
    const row = this.shown()[index];
    if (!row) return;
    this.at.set(index);
    this.leaving.set(false);
    this.showPlace(row);
  }
  protected apply(fix: Fix): void {
    this.#editor.commit(() => ({ label: `Fix ${fix.label}`, ops: fix.ops }));
  }
  protected take(token: string): void {
    this.#store.dispatch(DeskActions.take({ token }));
    this.#store.dispatch(DeskActions.hang({ hanging: 'reach' }));
  }
  protected bind(value: SetValue): void {
    this.#editor.commit((site) => useOwnToken(site, value.record, value.override, this.nearest()!.path));
  }
  /** Removes the value, so that the place uses its own token again. */
  protected useToken(value: SetValue): void {
    this.#editor.commit((site) => useOwnToken(site, value.record, value.override, null));
  }
  /** The label of the place's own token. */
  protected readonly ownLabel = computed(() => {
    const [site, value] = [this.#editor.current(), this.value()];
    if (!site || !value?.place) return 'its own value';
    const { property, band } = value.override;
    const token = siteIndex(site)
      .groupOf.get(value.place)
      ?.painting.at(property, 'rest', band ?? 'desktop')?.token;
    return (token && tokenTable(site.brand).get(token)?.label) || 'its own value';
  });
  protected leave(value: SetValue, reason: string): void {
    this.leaving.set(false);
    this.#editor.commit((site) => keepOverride(site, value.record, value.override, reason));
  }
  protected needsWords = (text: string): string => (text.trim() === '' ? 'Type a reason in a few words.' : '');
  /** Returns the share of the image behind a text that is too close to it in contrast, in words. */
  protected behind(share: number): string {
    return `${share >= 0.9995 ? 'The whole image' : `${this.percent(share)} of the image`} behind this text is too close to it in contrast`;
  }
  protected percent = (share: number): string => `${cutDownText(share * 100, 1)} %`;
  protected page(id: string): string {
    const site = this.#editor.current();
    return (site && publishedPage(site, id)?.title) ?? id;
  }

  @HostListener('document:keydown', ['$event'])
  protected key(event: KeyboardEvent): void {
    if (KEYS.next.is(event)) return this.go(Math.min(this.shown().length - 1, this.at() + 1));
    if (KEYS.previous.is(event)) return this.go(Math.max(0, this.at() - 1));
    if (this.reading()) return;
    const fix = KEYS.fix.is(event) ? this.fixes()[0] : undefined;
    if (!fix) return;
    // Without this, the press would also push the button that has the focus.
    event.preventDefault();
    this.apply(fix);
  }

  #allPlaces(): Row[] {
    const site = this.#editor.current();
    return site
      ? siteIndex(site).places.map((place) => ({ ...plainRow(place.page, place.id, place.label), kind: place.kind }))
      : [];
  }
  protected readonly count = plural;
  protected readonly cut = cutDownText;
}
