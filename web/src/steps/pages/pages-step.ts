import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterRenderEffect,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { Store } from '@ngrx/store';
import { CdkDrag, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import {
  PAGE_KINDS,
  addKept,
  addPage,
  addressPage,
  addSection,
  duplicateSection,
  joinEdits,
  keepSection,
  movePage,
  ownSection,
  pageAddress,
  pageUses,
  possibleParents,
  placeSection,
  putUnder,
  toggleMenu,
  moveSection,
  pageTree,
  plural,
  removePage,
  removeSection,
  renamePage,
  sectionAddress,
  sectionOf,
  setValue,
  rolePath,
  tokenTable,
  tokenValue,
  type Edit,
  type Section,
  type SectionKind,
  type Site,
} from '@yohaku/core';
import { OpenCounts } from '../../desk/open-counts.ts';
import {
  DeskActions,
  Editor,
  deskFeature,
  freshId,
  NAME_ONLY,
  Reaching,
  type DropTarget,
  type Scope,
} from '../../state/index.ts';
import { MenuList } from './menu-list.ts';
import { PageFacts } from './page-facts.ts';
import { CollectionsPanel } from './collections-panel.ts';
import { PastePanel } from './paste-panel.ts';
import { PicturesPanel } from './pictures-panel.ts';
import { SectionFacts } from './section-facts.ts';
import { SectionShelf } from './section-shelf.ts';
import { ACTS, ActsMenu, More, Choice, TextField } from '../../ui/index.ts';
import { addressProblem, titleProblem } from './page-problems.ts';
import { sectionInHand, sectionStrips, type Strip } from './section-strips.ts';

/** The page in hand as a strip of its sections, and what can be done with page and section. */
@Component({
  selector: 'yo-pages',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ACTS,
    ActsMenu,
    CollectionsPanel,
    PastePanel,
    CdkDrag,
    CdkDropList,
    PicturesPanel,
    SectionFacts,
    MenuList,
    PageFacts,
    SectionShelf,
    More,
    Choice,
    TextField,
    Reaching,
  ],
  templateUrl: './pages-step.html',
  styleUrl: './pages-step.less',
})
export class PagesStep {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  protected readonly site = this.#editor.shown;
  protected readonly page = computed(() => {
    const site = this.site();
    const id = this.#desk().page;
    return site ? (site.pages[id ?? ''] ?? site.pages[site.pageOrder[0]!]) : undefined;
  });
  protected readonly pages = computed(
    () => this.site()?.pageOrder.map((id) => ({ value: id, label: this.site()!.pages[id]!.title })) ?? [],
  );
  protected readonly strips = computed((): Strip[] => {
    const site = this.site();
    const page = this.page();
    if (!site || !page) return [];
    return sectionStrips(site, page);
  });
  protected readonly section = computed(() => {
    const site = this.site();
    const page = this.page();
    const id = this.#desk().section;
    if (!site || !page || !id) return undefined;
    return sectionInHand(site, page, id);
  });
  protected readonly grounds = computed(() => {
    const site = this.site();
    return (
      site?.brand.groundOrder.map((id) => ({
        value: id,
        label: site.brand.grounds[id]!.label,
        color: tokenValue(tokenTable(site.brand), rolePath(site.brand, site.brand.grounds[id]!, 'background')).css,
      })) ?? []
    );
  });
  protected readonly spaces = computed(
    () =>
      this.site()
        ?.brand.spaceOrder.filter((id) => this.site()!.brand.spaces[id]!.use === 'section')
        .map((id) => {
          const { label, values } = this.site()!.brand.spaces[id]!;
          return { value: id, label: `${label}, ${values.desktop}, ${values.phone}` };
        }) ?? [],
  );

  constructor() {
    // An item that is gone to from elsewhere is shown in its table.
    let item = untracked(this.#desk).item;
    if (item !== null) setTimeout(() => this.panel.set('collections'));
    effect(() => {
      const now = this.#desk().item;
      if (now !== null && now !== item) untracked(() => this.panel.set('collections'));
      item = now;
    });
    // A long page has more sections than its strip has room for: what is in hand is in sight, wherever it was taken.
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterRenderEffect({
      read: () => {
        if (this.section() && !this.panel())
          host.querySelector('.strip.now')?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
      },
    });
    // The page in hand hangs grown when the step is opened: this is where its words are edited. Who goes back to the
    // overview stays there.
    const opened = effect(() => {
      const page = this.page();
      if (!page) return;
      if (!untracked(this.#desk).grown) this.#store.dispatch(DeskActions.grow({ page: page.id }));
      opened.destroy();
    });
  }

  protected go(page: string): void {
    this.#store.dispatch(DeskActions.grow({ page }));
    this.#store.dispatch(DeskActions.choose({ choice: { section: null, sections: [] } }));
  }
  /** A press takes one section in hand; with Shift or Ctrl it joins those in hand, or leaves them. */
  protected press(event: MouseEvent, id: string): void {
    const now = this.section();
    const isOwn = (name: string) => name !== 'header' && name !== 'footer';
    if (!(event.shiftKey || event.ctrlKey || event.metaKey) || !now?.own || !isOwn(id) || now.id === id)
      return this.choose(id);
    const { sections } = this.#desk();
    this.#store.dispatch(
      DeskActions.choose({
        choice: { sections: sections.includes(id) ? sections.filter((section) => section !== id) : [...sections, id] },
      }),
    );
  }
  /** Sections in hand, in the order of the page. */
  protected readonly selected = computed(() => {
    const page = this.page();
    const ids = new Set([this.#desk().section ?? '', ...this.#desk().sections]);
    return page?.sectionOrder.filter((id) => ids.has(id)) ?? [];
  });
  protected isSelected(id: string): boolean {
    return this.section()?.id === id || this.#desk().sections.includes(id);
  }
  protected choose(section: string): void {
    this.#store.dispatch(DeskActions.choose({ choice: { section, sections: [] } }));
    // As it is saved by now: what was added a moment ago is there.
    const site = this.#editor.current()!;
    const page = site.pages[this.page()!.id]!;
    const part = pageTree(site, page.id).parts.find((entry) => entry.id === section);
    if (part)
      this.#store.dispatch(DeskActions.choose({ choice: { place: { page: page.id, id: part.places[0]!.id } } }));
  }
  protected readonly pageKinds = Object.values(PAGE_KINDS).map(({ id, label }) => ({ id, label }));
  protected addPage(copy: boolean, kind?: string): void {
    const id = freshId('p');
    const from = copy ? this.page()!.id : null;
    this.#editor.commit((site) =>
      addPage(
        site,
        id,
        from,
        Object.values(PAGE_KINDS).find((entry) => entry.id === kind),
      ),
    );
    this.go(id);
  }
  protected rename(title: string): void {
    const { id } = this.page()!;
    this.#editor.commit((site) => renamePage(site, id, title, !this.#live(id)));
  }
  protected checkTitle = (text: string): string => titleProblem(this.page()!, text);
  protected movePage(steps: -1 | 1): void {
    this.#editor.commit((site) => movePage(site, this.page()!.id, steps));
  }
  readonly #open = inject(OpenCounts);
  /** Returns true if a page's address is public. */
  #live(id: string): boolean {
    return this.#open.live()?.pages[id] !== undefined;
  }
  protected readonly home = computed(() => this.page()?.file === 'index.html');
  protected readonly uses = computed(() =>
    this.site() && this.page() ? pageUses(this.site()!, this.page()!.id) : { menu: [], links: 0 },
  );
  protected readonly addressScope = computed((): Scope => ({
    words: `Links on the site follow the new address; no place changes${this.page() && this.#live(this.page()!.id) ? '; the old address redirects' : ''}`,
  }));
  /** The possible parents of the page. */
  protected readonly above = computed(() => {
    const [site, page] = [this.site(), this.page()];
    if (!site || !page) return [];
    return [
      { value: '', label: 'no page' },
      ...possibleParents(site, page.id).map((id) => ({ value: id, label: site.pages[id]!.title })),
    ];
  });
  protected under(above: string): void {
    this.#editor.commit((site) => putUnder(site, this.page()!.id, above || null));
  }
  /** A section was dragged to another place of the strip. */
  protected dropped({ item, currentIndex }: CdkDragDrop<unknown>): void {
    const page = this.page()!;
    const id = item.data as string;
    const several = this.selected().length > 1 && this.selected().includes(id) ? this.selected() : [id];
    const first = this.strips()[0]?.id === 'header' ? 1 : 0;
    const all = this.strips()
      .map((strip) => strip.id)
      .filter((name) => name !== id && name !== 'header' && name !== 'footer');
    // All that are in hand go where the one that was dragged goes, in their order.
    const before =
      all
        .slice(0, Math.max(0, currentIndex - first))
        .filter((entry) => !several.includes(entry))
        .at(-1) ?? null;
    this.#editor.commit((site) =>
      joinEdits(
        site,
        several.length > 1 ? `Move ${several.length} sections` : `Move ${sectionOf(site, page.sections[id]!)!.label}`,
        several.map((name, i) => (now: Site) => placeSection(now, page.id, name, i === 0 ? before : several[i - 1]!)),
      ),
    );
    if (several.length === 1) this.choose(id);
  }
  protected address(text: string): void {
    const { id } = this.page()!;
    this.#editor.commit((site) => addressPage(site, id, pageAddress(text), this.#live(id)));
  }
  protected checkAddress = (text: string): string => addressProblem(this.site()!, this.page()!, text);
  protected menu(): void {
    const { id } = this.page()!;
    this.#editor.commit((site) => toggleMenu(site, id, freshId('m')));
  }
  /** The loss if the page is deleted, in words. */
  protected readonly losing = computed(() => {
    const [site, page] = [this.site(), this.page()];
    if (!site || !page) return '';
    const { menu, links } = this.uses();
    const parts = [
      plural(pageTree(site, page.id).places.length, 'place'),
      ...(menu.length > 0 ? [menu.length === 1 ? 'its menu entry' : `${menu.length} menu entries`] : []),
    ];
    return `${page.title} is deleted with ${parts.join(' and ')}.${links > 0 ? ` ${plural(links, 'link')} to it will lead to the home page.` : ''}${this.#live(page.id) ? ' The live page is removed when you publish.' : ''}`;
  });
  protected removePage(): void {
    const id = this.page()!.id;
    this.#editor.commit((site) => removePage(site, id));
    if (!this.#editor.current()?.pages[id]) this.go(this.#editor.current()!.pageOrder[0]!);
  }
  /** The open panel in place of the strip: sections, menu, page details and others. */
  protected readonly panel = signal<
    'sections' | 'section' | 'menu' | 'pictures' | 'collections' | 'paste' | 'facts' | null
  >(null);
  /** Where a section would go, before it goes. */
  protected readonly goes = computed(() => {
    const section = this.section();
    return section?.own
      ? `Goes after “${section.section.label}”.`
      : 'Goes to the end of the page. To insert it elsewhere, first select the section before it.';
  });
  protected addSection({ kind, at }: { kind: SectionKind; at?: DropTarget }): void {
    this.#lay((site, page, id, after) => addSection(site, page, id, after, kind), at);
  }
  /** A kept section, as the same one. */
  protected addSame({ kept, at }: { kept: string; at?: DropTarget }): void {
    this.#lay((site, page, id, after) => addKept(site, page, id, kept, after), at);
  }
  /** Lays a section in where it was dropped, else behind the one in hand or last. */
  #lay(make: (site: Site, page: string, id: string, after?: string | null) => Edit, at?: DropTarget): void {
    const id = freshId('x');
    const page = at?.page ?? this.page()!.id;
    const after = at ? at.after : this.section()?.own ? this.section()!.id : undefined;
    // The former selection is cleared; otherwise its slip would be computed for the new section and vanish at once.
    this.#store.dispatch(DeskActions.choose({ choice: { place: null } }));
    this.#editor.commit((site) => make(site, page, id, after));
    // First the page is painted with it: to take the shelf down, with a frame for each kind, takes longer than that.
    requestAnimationFrame(() =>
      requestAnimationFrame(() => {
        this.panel.set(null);
        if (page !== this.page()!.id) this.go(page);
        this.choose(id);
      }),
    );
  }
  protected keep(): void {
    const { id: entry } = this.section()!;
    const [kept, id] = [freshId('k'), freshId('x')];
    this.#editor.commit((site) => keepSection(site, this.page()!.id, entry, kept, id));
    this.choose(id);
  }
  protected own(): void {
    const { id: entry } = this.section()!;
    const id = freshId('x');
    this.#editor.commit((site) => ownSection(site, this.page()!.id, entry, id));
    this.choose(id);
  }
  protected duplicate(): void {
    const ids = new Map(this.selected().map((section) => [section, freshId('x')]));
    this.#commit('Duplicate', (site, page, section) => duplicateSection(site, page, section, ids.get(section)!));
    const last = [...ids.values()].at(-1);
    if (last && this.#editor.current()?.pages[this.page()!.id]?.sections[last]) this.choose(last);
  }
  protected move(steps: -1 | 1): void {
    this.#commit('Move', (site, page, section) => moveSection(site, page, section, steps), steps === 1);
  }
  protected remove(): void {
    this.#commit('Delete', removeSection);
    this.#store.dispatch(DeskActions.choose({ choice: { section: null, sections: [], place: null } }));
  }
  protected set(field: keyof Section & ('ground' | 'space' | 'label'), value: string): void {
    const { address, section } = this.section()!;
    const what = field === 'space' ? 'Padding' : field === 'ground' ? 'Background' : 'Name';
    const others = field === 'label' ? [] : this.selected();
    const page = this.page()!.id;
    this.#editor.commit((site) =>
      others.length < 2
        ? setValue(site, `${what} of ${section.label}`, [...address, field], value)
        : joinEdits(
            site,
            `${what} of ${others.length} sections`,
            others.map((id) => (now: Site) => setValue(now, '', [...sectionAddress(now, page, id), field], value)),
          ),
    );
  }
  protected checkLabel = (text: string): string =>
    text === '' ? 'A section needs a name.' : text.length > 80 ? 'At most 80 characters.' : '';
  protected readonly title: Scope = { words: 'Browsers show this title in the tab; no place changes' };
  protected readonly nameOnly = NAME_ONLY;
  protected readonly count = plural;

  /**
   * Does something with all sections in hand as one edit; `fromLast`: those farther down first, so that none overtakes
   * another.
   */
  #commit(what: string, make: (site: Site, page: string, section: string) => Edit | undefined, fromLast = false): void {
    const section = this.section();
    const page = this.page()!.id;
    if (!section?.own) return;
    const several = this.selected();
    if (several.length < 2) return this.#editor.commit((site) => make(site, page, section.id));
    // At the end of the page they stay as they are, all of them.
    const order = fromLast ? [...several].reverse() : several;
    this.#editor.commit((site) =>
      make(site, page, order[0]!)
        ? joinEdits(
            site,
            `${what} ${several.length} sections`,
            order.map((id) => (now: Site) => make(now, page, id)),
          )
        : undefined,
    );
  }
}
