import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { addSwatches, colorsInText, cutDownText, deltaERgb, hex, parseColor, plural, proposeName, resolvedSwatches, type ParsedColor } from '@yohaku/core';
import { SiteApi, failureWords } from '../../api/index.ts';
import { Editor, freshId, Reaching, type Scope } from '../../state/index.ts';
import { TextField } from '../../ui/index.ts';

/** A colour found in a piece of evidence, with what the brand already has that is near. */
interface Found { readonly id: string; readonly color: ParsedColor; readonly hex: string; readonly share: number | null; readonly count: number; readonly role: string; readonly name: string; readonly taken: boolean }
interface Evidence { readonly id: string; readonly name: string; readonly kind: string; readonly url: string | null; readonly found: readonly Found[] }

/** Two colours nearer than this are hard to tell apart (ΔE OK). */
const ALIKE = 0.02;

/** Evidence in: a logo dropped, or any text with colours in it; each colour taken or left, and named. */
@Component({
  selector: 'yo-gather',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TextField, Reaching],
  templateUrl: './gather-step.html',
  styleUrl: './gather-step.less',
})
export class GatherStep {
  readonly #api = inject(SiteApi);
  readonly #editor = inject(Editor);
  protected readonly evidence = signal<readonly Evidence[]>([]);
  protected readonly at = signal(0);
  protected readonly problem = signal('');
  protected readonly busy = signal(false);
  protected readonly over = signal(false);
  protected readonly text = signal('');
  protected readonly current = computed(() => this.evidence()[this.at()]);
  protected readonly rows = computed(() => {
    const brand = this.#editor.shown()?.brand;
    const known = brand ? resolvedSwatches(brand) : [];
    return (this.current()?.found ?? []).map((found) => {
      const near = known.map(({ swatch, rgb }) => ({ label: swatch.label, deltaE: deltaERgb(rgb, found.color.rgb) })).sort((one, other) => one.deltaE - other.deltaE)[0];
      return { ...found, near: near ? { label: near.label, text: cutDownText(near.deltaE, 3), same: near.deltaE < ALIKE } : undefined };
    });
  });
  protected readonly open = computed(() => this.rows().filter((row) => row.taken && !row.near?.same));

  protected drop(event: DragEvent): void {
    event.preventDefault();
    this.over.set(false);
    const files = [...(event.dataTransfer?.files ?? [])];
    if (files.length > 0) void this.#files(files);
    else this.#text(event.dataTransfer?.getData('text/plain') ?? '');
  }
  protected choose(event: Event): void {
    const input = event.target as HTMLInputElement;
    void this.#files([...(input.files ?? [])]);
    input.value = '';
  }
  protected typed(event: Event): void {
    this.text.set((event.target as HTMLTextAreaElement).value);
  }
  protected read(): void {
    this.#text(this.text());
  }
  protected paste(event: ClipboardEvent): void {
    const files = [...(event.clipboardData?.files ?? [])];
    if (files.length === 0) return;
    event.preventDefault();
    void this.#files(files);
  }

  async #files(files: readonly File[]): Promise<void> {
    for (const file of files) {
      this.problem.set('');
      if (/^text\/|\.(css|txt|md|csv)$/i.test(file.type + file.name)) {
        this.#text(await file.text(), file.name);
        continue;
      }
      this.busy.set(true);
      try {
        const picture = await firstValueFrom(this.#api.picture(file));
        this.#add({
          id: freshId('e'), name: file.name, kind: `${picture.width} × ${picture.height}`, url: URL.createObjectURL(new Blob([file], { type: picture.type })),
          found: picture.palette.map((one) => this.#found(parseColor(one.hex)!, { share: one.share, role: one.role, taken: one.role !== 'ornament' })),
        });
      } catch (error) {
        this.problem.set(`${file.name}: ${failureWords(error)}`);
      } finally {
        this.busy.set(false);
      }
    }
  }

  #text(text: string, name = 'Pasted text'): void {
    const found = colorsInText(text);
    if (found.length === 0) {
      this.problem.set(text.trim() === '' ? 'There is nothing to read yet. Paste colour codes, or drop a picture.' : `No colour was found in ${name === 'Pasted text' ? 'this text' : name}. Write colours as #cf4527, rgb(), hsl(), oklch() or by name; the text is kept.`);
      return;
    }
    this.problem.set('');
    this.text.set('');
    this.#add({ id: freshId('e'), name, kind: plural(found.length, 'colour'), url: null, found: found.map((one) => this.#found(one, { count: one.count })) });
  }

  #found(color: ParsedColor, more: Partial<Found>): Found {
    return { id: freshId('f'), color, hex: hex(color.rgb), share: null, count: 1, role: '', name: proposeName(color.oklch), taken: true, ...more };
  }
  #add(one: Evidence): void {
    this.evidence.update((list) => [...list, one]);
    this.at.set(this.evidence().length - 1);
  }

  protected toggle(id: string): void {
    this.#change(id, (found) => ({ ...found, taken: !found.taken }));
  }
  protected name(id: string, name: string): void {
    this.#change(id, (found) => ({ ...found, name }));
  }
  protected checkName = (text: string): string => (text === '' ? 'A swatch needs a name.' : text.length > 80 ? 'At most 80 characters.' : '');
  #change(id: string, change: (found: Found) => Found): void {
    this.evidence.update((list) => list.map((one, i) => (i === this.at() ? { ...one, found: one.found.map((found) => (found.id === id ? change(found) : found)) } : one)));
  }
  protected take(): void {
    const wanted = this.open().map((row) => ({ id: freshId('s'), label: row.name, color: row.color, part: 'side' as const }));
    if (wanted.length > 0) this.#editor.commit((site) => addSwatches(site, wanted));
  }
  protected readonly unused: Scope = { words: 'New swatches paint no place until something is set to them' };
  protected readonly count = plural;
  protected readonly percent = (share: number): string => `${cutDownText(share * 100, 1)} %`;
}
