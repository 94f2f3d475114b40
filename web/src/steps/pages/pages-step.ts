import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { addPage, addSection, duplicateSection, movePage, moveSection, pageTree, plural, removePage, removeSection, renamePage, sectionAddress, sectionOf, setValue, slotPath, tokenTable, tokenValue, type Edit, type Section, type Site } from '@yohaku/core';
import { DeskActions, Editor, deskFeature, freshId, NAME_ONLY, Reaching, type Scope } from '../../state/index.ts';
import { Choice, TextField } from '../../ui/index.ts';

interface Strip { readonly id: string; readonly label: string; readonly color: string; readonly weight: number; readonly shared: boolean }

/** The page in hand as a strip of its sections, and what can be done with page and section. */
@Component({
  selector: 'yo-pages',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, TextField, Reaching],
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
    const id = this.#desk().grown;
    return site ? (site.pages[id ?? ''] ?? site.pages[site.pageOrder[0]!]) : undefined;
  });
  protected readonly pages = computed(() => this.site()?.pageOrder.map((id) => ({ value: id, label: this.site()!.pages[id]!.title })) ?? []);
  protected readonly strips = computed((): Strip[] => {
    const site = this.site();
    const page = this.page();
    if (!site || !page) return [];
    return pageTree(site, page.id).parts.map((part) => {
      const ground = part.places[0]!.ground;
      return {
        id: part.id, label: part.shared ? `${part.label}, shared` : part.label, shared: part.shared, weight: Math.max(3, part.places.length),
        color: tokenValue(tokenTable(site.brand), slotPath(site.brand, site.brand.grounds[ground]!, 'background')).css,
      };
    });
  });
  protected readonly section = computed(() => {
    const site = this.site();
    const page = this.page();
    const id = this.#desk().section;
    if (!site || !page || !id) return undefined;
    if (id === 'header') return undefined;
    const entry = page.sections[id];
    const section = id === 'footer' ? site.shared.footer : entry && sectionOf(site, entry);
    return section ? { id, section, own: id !== 'footer', address: sectionAddress(site, page.id, id), shared: id === 'footer' || (!!entry && 'shared' in entry), with: sharedWith(site, id === 'footer' ? null : entry && 'shared' in entry ? entry.shared : undefined) } : undefined;
  });
  protected readonly grounds = computed(() => {
    const site = this.site();
    return site?.brand.groundOrder.map((id) => ({ value: id, label: site.brand.grounds[id]!.label, color: tokenValue(tokenTable(site.brand), slotPath(site.brand, site.brand.grounds[id]!, 'background')).css })) ?? [];
  });
  protected readonly spaces = computed(() => this.site()?.brand.spaceOrder.filter((id) => this.site()!.brand.spaces[id]!.use === 'section').map((id) => {
    const { label, values } = this.site()!.brand.spaces[id]!;
    return { value: id, label: `${label}, ${values.desktop}, ${values.phone}` };
  }) ?? []);

  constructor() {
    // The page in hand hangs grown: this is where its words are edited.
    effect(() => {
      const page = this.page();
      if (page && !this.#desk().grown) this.#store.dispatch(DeskActions.grow({ page: page.id }));
    });
  }

  protected go(page: string): void {
    this.#store.dispatch(DeskActions.grow({ page }));
    this.#store.dispatch(DeskActions.choose({ choice: { section: null } }));
  }
  protected choose(section: string): void {
    this.#store.dispatch(DeskActions.choose({ choice: { section } }));
    const site = this.site()!;
    const page = this.page()!;
    const part = pageTree(site, page.id).parts.find((one) => one.id === section);
    if (part) this.#store.dispatch(DeskActions.choose({ choice: { place: { page: page.id, id: part.places[0]!.id } } }));
  }
  protected addPage(copy: boolean): void {
    const id = freshId('p');
    const from = copy ? this.page()!.id : null;
    this.#editor.commit((site) => addPage(site, id, from));
    this.go(id);
  }
  protected rename(title: string): void {
    this.#editor.commit((site) => renamePage(site, this.page()!.id, title));
  }
  protected checkTitle = (text: string): string =>
    text === '' ? 'A page needs a name.' : text.length > 80 ? `${text.length} characters; at most 80. “${this.page()!.title}” is kept.` : '';
  protected movePage(steps: -1 | 1): void {
    this.#editor.commit((site) => movePage(site, this.page()!.id, steps));
  }
  protected removePage(): void {
    const id = this.page()!.id;
    this.#editor.commit((site) => removePage(site, id));
    if (!this.#editor.current()?.pages[id]) this.go(this.#editor.current()!.pageOrder[0]!);
  }
  protected addSection(): void {
    const id = freshId('x');
    const after = this.section()?.own ? this.section()!.id : undefined;
    this.#editor.commit((site) => addSection(site, this.page()!.id, id, after));
    this.#store.dispatch(DeskActions.choose({ choice: { section: id } }));
  }
  protected duplicate(): void {
    const id = freshId('x');
    this.#commit((site, page, section) => duplicateSection(site, page, section, id));
    this.#store.dispatch(DeskActions.choose({ choice: { section: id } }));
  }
  protected move(steps: -1 | 1): void {
    this.#commit((site, page, section) => moveSection(site, page, section, steps));
  }
  protected remove(): void {
    this.#commit(removeSection);
    this.#store.dispatch(DeskActions.choose({ choice: { section: null, place: null } }));
  }
  protected set(field: keyof Section & ('ground' | 'space' | 'label'), value: string): void {
    const { address, section } = this.section()!;
    this.#editor.commit((site) => setValue(site, `${field === 'space' ? 'Padding' : field === 'ground' ? 'Ground' : 'Name'} of ${section.label}`, [...address, field], value));
  }
  protected checkLabel = (text: string): string => (text === '' ? 'A section needs a name.' : text.length > 80 ? 'At most 80 characters.' : '');
  protected readonly title: Scope = { words: 'The name stands in the window’s title; no place changes' };
  protected readonly nameOnly = NAME_ONLY;
  protected readonly count = plural;

  #commit(make: (site: Site, page: string, section: string) => Edit | undefined): void {
    const section = this.section();
    if (section?.own) this.#editor.commit((site) => make(site, this.page()!.id, section.id));
  }
}

/** How many pages show a shared section; null stands for the footer, undefined for a section of one page. */
function sharedWith(site: Site, shared: string | null | undefined): number {
  if (shared === null) return site.pageOrder.length;
  if (shared === undefined) return 1;
  return Object.values(site.pages).filter((page) => Object.values(page.sections).some((entry) => 'shared' in entry && entry.shared === shared)).length;
}
