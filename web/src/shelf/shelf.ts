import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { freshSiteId, plural, type ShelvedSite } from '@yohaku/core';
import { SiteApi, canRetry, failureWords, isSignedOut } from '../api/index.ts';
import { remember, remembered } from '../state/index.ts';
import { ACTS, SeekField, ActsMenu, Segments, type MenuAct } from '../ui/index.ts';
import { siteNameProblem } from './site-name.ts';
import { PageCard } from './page-card.ts';
import { SiteAsk } from './site-ask.ts';

const ORDER = 'yohaku-shelf-order';
const ORDERS = [
  { value: 'edited', label: 'Edited last' },
  { value: 'name', label: 'Name' },
] as const;
type Order = (typeof ORDERS)[number]['value'];

/** All sites, each as its first page in its own colours. */
@Component({
  selector: 'yo-shelf',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, SeekField, DatePipe, RouterLink, ActsMenu, Segments, SiteAsk, PageCard],
  templateUrl: './shelf.html',
  styleUrl: './shelf.less',
})
export class Shelf {
  readonly #api = inject(SiteApi);
  protected readonly sites = signal<readonly ShelvedSite[] | null>(null);
  protected readonly problem = signal('');
  protected readonly signedOut = signal(false);
  protected readonly told = signal('');
  protected readonly sought = signal('');
  protected readonly orders = ORDERS;
  protected readonly order = signal<Order>(remembered(ORDER) === 'name' ? 'name' : 'edited');
  /** True if those are shown that were put away. */
  protected readonly archive = signal(false);
  /** The open question of a site: delete, with its typed name, rename or copy. */
  protected readonly asked = signal<{ readonly id: string; readonly act: 'rename' | 'copy' | 'delete' } | null>(null);
  protected readonly archived = computed(() => (this.sites() ?? []).filter((site) => site.archived).length);
  protected readonly shown = computed(() => {
    const sought = this.sought().trim().toLowerCase();
    const found = (this.sites() ?? []).filter(
      (site) =>
        site.archived === this.archive() &&
        (sought === '' || site.name.toLowerCase().includes(sought) || site.id.includes(sought)),
    );
    return this.order() === 'name'
      ? found.sort((site, other) => site.name.localeCompare(other.name))
      : found.sort((site, other) => other.editedAt.localeCompare(site.editedAt));
  });
  protected readonly count = plural;

  constructor() {
    void this.#read();
  }

  /** Reads the shelf; a server that does not answer yet is asked again until it does. */
  async #read(): Promise<void> {
    for (;;) {
      try {
        this.sites.set(await firstValueFrom(this.#api.sites()));
        return this.problem.set('');
      } catch (error) {
        this.problem.set(failureWords(error));
        this.signedOut.set(isSignedOut(error));
        if (!canRetry(error)) return;
        await new Promise((resolve) => setTimeout(resolve, 1500));
      }
    }
  }

  protected sort(order: Order): void {
    this.order.set(order);
    remember(ORDER, order);
  }

  protected acts(site: ShelvedSite): MenuAct[] {
    return [
      { id: 'rename', label: 'Rename' },
      { id: 'copy', label: 'Copy' },
      { id: 'archive', label: site.archived ? 'Restore' : 'Archive' },
      { id: 'delete', label: 'Delete' },
    ];
  }
  protected chosen(site: ShelvedSite, act: string): void {
    if (act === 'archive')
      void this.#do(
        () => firstValueFrom(this.#api.archiveSite(site.id, !site.archived)),
        site.archived ? `${site.name} was restored.` : `${site.name} was archived. Its pages stay live.`,
      );
    else this.asked.set({ id: site.id, act: act as 'rename' });
  }

  protected readonly checkName =
    (site: ShelvedSite, own: boolean) =>
    (text: string): string =>
      siteNameProblem(
        text,
        (this.sites() ?? []).filter((other) => !own || other !== site).map((other) => other.name),
      );
  protected readonly checkTyped =
    (site: ShelvedSite) =>
    (text: string): string =>
      text.trim() === site.name.trim() ? '' : `Type ${site.name} to delete it.`;

  /** Returns a free name for a copy. */
  protected copyName(site: ShelvedSite): string {
    const taken = new Set((this.sites() ?? []).map((other) => other.name.toLowerCase()));
    for (let i = 1; ; i++) {
      const name = `${site.name.trim().slice(0, 70)} copy${i > 1 ? ` ${i}` : ''}`;
      if (!taken.has(name.toLowerCase())) return name;
    }
  }
  /** Closes the question and gives the focus back to the menu of the site. */
  protected close(site: ShelvedSite): void {
    this.asked.set(null);
    this.#focus(`[aria-label="More on ${CSS.escape(site.name)}"]`);
  }
  #focus(selector: string): void {
    setTimeout(() => document.querySelector<HTMLElement>(selector)?.focus());
  }

  protected rename(site: ShelvedSite, name: string): void {
    if (name === site.name) return this.close(site);
    void this.#do(
      () => firstValueFrom(this.#api.renameSite(site.id, site.name, name)),
      `${site.name} is now called ${name}.`,
      site.id,
    );
  }
  protected copy(site: ShelvedSite, name: string): void {
    const id = freshSiteId(
      name,
      (this.sites() ?? []).map((other) => other.id),
    );
    void this.#do(
      () => firstValueFrom(this.#api.copySite(site.id, id, name)),
      `${site.name} was copied as ${name}.`,
      id,
    );
  }
  protected remove(site: ShelvedSite, typed: string): void {
    void this.#do(() => firstValueFrom(this.#api.removeSite(site.id, typed)), `${site.name} was deleted.`);
  }

  /** @param then id of the site that has the focus afterwards */
  async #do(act: () => Promise<unknown>, told: string, then?: string): Promise<void> {
    this.asked.set(null);
    try {
      await act();
      this.told.set(told);
    } catch (error) {
      this.told.set(failureWords(error));
    }
    await this.#read();
    if (then !== undefined) this.#focus(`a[href="/sites/${then}"]`);
  }
}
