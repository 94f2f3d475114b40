import {
  ChangeDetectionStrategy,
  Component,
  HostListener,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { firstValueFrom, fromEvent, map } from 'rxjs';
import { visionMatrix } from '@yohaku/core';
import { SiteApi } from '../api/index.ts';
import { OpenCounts, StepsLine, TallyLine } from '../desk/index.ts';
import {
  DeskActions,
  Editor,
  STEPS,
  SiteActions,
  deskFeature,
  keepDesk,
  siteFeature,
  WaysOfSeeing,
  ROOM,
  Reading,
  Tray,
} from '../state/index.ts';
import { CheckStep } from '../steps/check/check-step.ts';
import { TopLine, type Panel } from '../desk/top-line.ts';
import { StepScreen } from './step-screen.ts';
import { AddressLink } from '../desk/address-link.ts';
import { DeskFonts } from '../desk/desk-fonts.ts';
import { AsideList } from '../desk/aside-list.ts';
import { Find } from '../desk/find.ts';
import { FirstStep } from '../desk/first-step.ts';
import { KeysList } from '../desk/keys-list.ts';
import { Tour } from '../desk/tour.ts';
import { SiteSettings } from '../desk/site-settings.ts';
import { PersonSettings } from '../desk/person-settings.ts';
import { NotLoaded, Opening } from '../desk/opening.ts';
import { ACTS, KEYS } from '../ui/index.ts';
import { Wall } from '../wall/index.ts';
import { AuditLink, MeasureKeeper } from '../workers/index.ts';

/**
 * The height of the desk until the user drags the line: the same for every step, a share of the window, at least so
 * many px.
 */
const SHARE = 0.425;
const LEAST_HEIGHT = 340;
const TOP = 40;
const BOTTOM = 32;

/** The desk of one site: top line, wall above, steps line, desk below, tally. */
@Component({
  selector: 'yo-desk-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ACTS,
    CheckStep,
    StepScreen,
    TopLine,
    Wall,
    StepsLine,
    TallyLine,
    KeysList,
    AsideList,
    PersonSettings,
    NotLoaded,
    Opening,
    Find,
    FirstStep,
    Tour,
    SiteSettings,
  ],
  templateUrl: './desk-view.html',
  styleUrl: './desk-view.less',
  host: { '[attr.data-surround]': 'surround()', '[class.reading]': 'reading.only()' },
})
export class DeskView {
  readonly #store = inject(Store);
  protected readonly reading = inject(Reading);
  protected readonly room = ROOM;
  readonly #api = inject(SiteApi);
  readonly #editor = inject(Editor);
  readonly #seeing = inject(WaysOfSeeing);
  readonly #open = inject(OpenCounts);
  protected readonly status = this.#store.selectSignal(siteFeature.selectStatus);
  protected readonly opening = this.#store.selectSignal(siteFeature.selectOpening);
  /** The shown view: the desk as soon as it has something to show. */
  protected readonly view = computed(() => (this.status() === 'opening' ? 'ready' : this.status()));
  protected readonly site = this.#store.selectSignal(siteFeature.selectCurrent);
  protected readonly notice = this.#store.selectSignal(siteFeature.selectNotice);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  protected readonly step = computed(() => this.#desk().step);
  protected readonly surround = computed(() => this.#desk().surround);
  /** The factors by which wall and desk are looked at; none for full colour. */
  protected readonly seen = computed(() => {
    const { seen, severity } = this.#desk();
    if (seen === 'full') return null;
    const m = visionMatrix(seen, seen === 'grey' ? 1 : severity);
    return [...m.slice(0, 3), 0, 0, ...m.slice(3, 6), 0, 0, ...m.slice(6, 9), 0, 0, 0, 0, 0, 1, 0].join(' ');
  });
  /** Which drawer hangs from the top line, besides that of the keys. */
  protected readonly drawer = signal<Panel | null>(null);
  protected readonly keysShown = computed(() => this.#desk().keysShown);
  readonly #room = toSignal(fromEvent(window, 'resize').pipe(map(() => window.innerHeight)), {
    initialValue: window.innerHeight,
  });
  protected readonly height = computed(
    () => this.#desk().height ?? Math.max(LEAST_HEIGHT, Math.round(this.#room() * SHARE)),
  );
  constructor() {
    inject(AuditLink);
    inject(MeasureKeeper);
    inject(DeskFonts);
    inject(Tray);
    inject(AddressLink).follow();
    effect(() => keepDesk(this.#desk()));
    effect(() => {
      if (this.status() === 'ready') untracked(() => void this.#askWhatIsLive());
    });
  }

  async #askWhatIsLive(): Promise<void> {
    const siteId = this.#store.selectSignal(siteFeature.selectSiteId)();
    const { live } = await firstValueFrom(this.#api.publications(siteId)).catch(() => ({ live: null }));
    this.#open.live.set(live?.site ?? null);
  }

  protected keys(shown: boolean): void {
    this.#store.dispatch(DeskActions.keys({ shown }));
  }
  protected pull(y: number): void {
    this.#setHeight(window.innerHeight - BOTTOM - y - 34);
  }
  protected nudge(by: number): void {
    this.#setHeight(this.height() + by);
  }
  #setHeight(height: number): void {
    this.#store.dispatch(
      DeskActions.height({
        height: Math.round(Math.max(60, Math.min(window.innerHeight - TOP - BOTTOM - 100, height))),
      }),
    );
  }

  @HostListener('document:keydown', ['$event'])
  protected key(event: KeyboardEvent): void {
    // An open menu has taken the press for itself. A tooltip goes away as well, and is no level.
    if (event.defaultPrevented && (event.target as Element).closest?.('[role=menu]')) return;
    if (this.reading.only()) return KEYS.back.is(event) ? this.#escape() : undefined;
    if (KEYS.undo.is(event) || KEYS.redo.is(event)) {
      event.preventDefault();
      return KEYS.undo.is(event) ? this.#editor.undo() : this.#editor.redo();
    }
    if (KEYS.find.is(event)) {
      event.preventDefault();
      return this.drawer.set('find');
    }
    if (KEYS.list.is(event)) return this.keys(!this.keysShown());
    if (KEYS.back.is(event)) return this.#escape();
    if (KEYS.fit.is(event)) return this.#seeing.fit();
    if (KEYS.levels.is(event)) return this.#seeing.outline();
    if (KEYS.specimen.is(event)) return this.#seeing.specimen();
    if (KEYS.seen.is(event)) return this.#seeing.vision();
    if (KEYS.before.is(event) && !event.repeat) return this.#store.dispatch(SiteActions.showBefore({ on: true }));
    if (KEYS.step.is(event) && (event.target as HTMLElement).tagName !== 'INPUT')
      this.#store.dispatch(DeskActions.step({ step: STEPS[Number(event.key) - 1]! }));
  }

  @HostListener('document:keyup', ['$event'])
  protected release(event: KeyboardEvent): void {
    if (KEYS.before.ends(event)) this.#store.dispatch(SiteActions.showBefore({ on: false }));
  }

  /** Escape steps back: keys, slip, grown page, token in hand. */
  #escape(): void {
    const { keysShown, place, grown, selected } = this.#desk();
    if (keysShown) this.keys(false);
    else if (this.drawer()) this.drawer.set(null);
    else if (place) this.#store.dispatch(DeskActions.choose({ choice: { place: null } }));
    else if (grown) this.#store.dispatch(DeskActions.grow({ page: null }));
    else if (selected) this.#store.dispatch(DeskActions.take({ token: null }));
  }
}
