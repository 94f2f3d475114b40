import { DestroyRef, Injectable, computed, effect, inject, untracked } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { Location } from '@angular/common';
import { Title } from '@angular/platform-browser';
import { NavigationCancel, NavigationEnd, NavigationError, NavigationSkipped, Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { filter, map } from 'rxjs';
import { anyPage, pageTree, tokenTable } from '@yohaku/core';
import { DeskActions, stepLabel, SiteActions, deskFeature, remember, siteFeature } from '../state/index.ts';
import { addressOfView, readAddress, type View } from './address.ts';
import { CheckView } from './check-view.ts';

/** The address opened last, so that signing in again goes on there. */
export const LAST_ADDRESS = 'yohaku-last';

/** How long the desk may take to do all of one press, ms. */
const SETTLES = 100;
/** The events of a user's act: clicks, keys, and entering a page, which only the window sees as a blur. */
const ACTED = ['pointerdown', 'keydown', 'blur'] as const;
/** Marks a navigation that writes down what the desk shows: the desk is not brought to it. */
const WRITTEN = 'written';

/**
 * Keeps the address and the desk in step: what is done on the desk is in the address, and Back and Forward go through
 * it.
 */
@Injectable({ providedIn: 'root' })
export class AddressLink {
  readonly #router = inject(Router);
  readonly #location = inject(Location);
  readonly #store = inject(Store);
  readonly #check = inject(CheckView);
  readonly #title = inject(Title);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  readonly #site = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #siteId = this.#store.selectSignal(siteFeature.selectSiteId);
  readonly #status = this.#store.selectSignal(siteFeature.selectStatus);
  readonly #view = computed((): View => {
    const { step, grown, place, selected, hanging } = this.#desk();
    // Side-by-side views are temporary: a copied address opens the pages.
    return {
      step,
      page: grown,
      place: place && place.page === grown ? place.id : null,
      token: selected,
      hanging: hanging === 'together' ? 'all' : hanging,
      list: this.#check.list(),
    };
  });
  /**
   * Where somebody went. What is written down is no such thing: by the time it has arrived the desk may be elsewhere.
   */
  readonly #arrived = toSignal(
    this.#router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      filter(() => this.#router.currentNavigation()?.extras.info !== WRITTEN),
      map((event) => event.urlAfterRedirects),
    ),
    { initialValue: this.#router.url },
  );
  /**
   * True if Back or Forward is under way: until it has arrived nothing is written, it would be written over where they
   * lead.
   */
  #moving = false;
  /** The address that was taken up last. */
  #taken = '';
  /**
   * True if somebody did something since the address was taken up or written last. Else the desk found its own way from
   * there: that is no step to go back to.
   */
  #acted = false;
  #timer: ReturnType<typeof setTimeout> | undefined;

  /** Opens the site in the address and follows its changes. The desk calls this once; it ends with the desk. */
  follow(): void {
    // Fields lose the focus by themselves, when the desk puts them away: only the window's own counts.
    // The listeners end with the desk: one window opens many desks in turn.
    const destroyed = inject(DestroyRef);
    const gone = new AbortController();
    destroyed.onDestroy(() => {
      gone.abort();
      clearTimeout(this.#timer);
    });
    const { signal } = gone;
    for (const type of ACTED)
      window.addEventListener(
        type,
        ({ target }) => {
          if (type !== 'blur' || target === window) this.#acted = true;
        },
        { capture: true, signal },
      );
    window.addEventListener(
      'popstate',
      () => {
        clearTimeout(this.#timer);
        this.#moving = true;
      },
      { capture: true, signal },
    );
    this.#router.events.pipe(takeUntilDestroyed(destroyed)).subscribe((event) => {
      if (
        event instanceof NavigationEnd ||
        event instanceof NavigationCancel ||
        event instanceof NavigationSkipped ||
        event instanceof NavigationError
      )
        this.#moving = false;
      // A change during the navigation is written again, because the navigation overwrote it.
      if (event instanceof NavigationEnd && this.#router.currentNavigation()?.extras.info === WRITTEN)
        this.#later(addressOfView(this.#siteId(), this.#view()));
    });
    const asked = readAddress(this.#router.url);
    this.#store.dispatch(
      asked
        ? SiteActions.open({ siteId: asked.site })
        : SiteActions.loadFailed({
            words: 'No site has this address. Part of the address may be missing.',
            signedOut: false,
          }),
    );
    effect(() => {
      const url = this.#arrived();
      if (this.#status() === 'ready') untracked(() => this.#take(url));
    });
    effect(() => {
      const address = addressOfView(this.#siteId(), this.#view());
      if (this.#status() !== 'ready') return;
      untracked(() => this.#later(address));
    });
    effect(() => {
      const site = this.#site();
      if (site) this.#title.setTitle(`${site.name}, ${stepLabel(this.#desk().step)} · Yohaku`);
    });
  }

  /** Brings the desk to what an address says; what leads nowhere is said, and the nearest thing is shown. */
  #take(url: string): void {
    if (url === this.#taken) return;
    const read = readAddress(url);
    const site = this.#site();
    if (!read || !site || read.site !== this.#siteId()) return;
    this.#taken = url;
    const { step, page, place, token, hanging, list } = read.view;
    const strange = [...read.strange];
    const now = this.#view();
    if (step && step !== now.step) this.#store.dispatch(DeskActions.step({ step }));
    if (page !== undefined && page !== now.page) {
      if (page !== null && !anyPage(site, page)) strange.push(`page “${page}”`);
      else this.#store.dispatch(DeskActions.grow({ page }));
    }
    if (token !== undefined && token !== now.token) {
      if (token !== null && !tokenTable(site.brand).has(token)) strange.push(`token “${token}”`);
      else this.#store.dispatch(DeskActions.take({ token }));
    }
    const onPage = page && anyPage(site, page) ? page : null;
    if (place && onPage && !pageTree(site, onPage).places.some((entry) => entry.id === place))
      strange.push(`place “${place}”`);
    else if (place !== undefined && place !== this.#view().place)
      this.#store.dispatch(
        DeskActions.choose({ choice: { place: place && onPage ? { page: onPage, id: place } : null } }),
      );
    if (hanging && hanging !== this.#view().hanging) this.#store.dispatch(DeskActions.hang({ hanging }));
    if (list) this.#check.list.set(list);
    this.#acted = false;
    // The pending address belongs to the view before this one.
    this.#later(addressOfView(this.#siteId(), this.#view()));
    if (strange.length > 0)
      this.#store.dispatch(
        SiteActions.notice({
          words: `This link points to something that is gone: ${strange.join(', ')}. The closest match is shown.`,
        }),
      );
  }

  /** Schedules the address: one click is one step in the history, however long its work takes. */
  #later(address: string): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => this.#write(address), SETTLES);
  }

  #write(shown: string): void {
    if (this.#moving) return;
    // As the router writes it: else the two never agree on a place of a shared section.
    const address = this.#router.serializeUrl(this.#router.parseUrl(shown));
    remember(LAST_ADDRESS, address);
    if (address === this.#location.path()) return;
    const acted = this.#acted;
    this.#acted = false;
    this.#taken = address;
    // A selection that a step makes on opening belongs to the click that opened it.
    if (acted) void this.#router.navigateByUrl(address, { onSameUrlNavigation: 'reload', info: WRITTEN });
    else this.#location.replaceState(address, '', this.#location.getState());
  }
}
