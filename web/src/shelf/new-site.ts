import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import {
  FormControl,
  FormGroup,
  ReactiveFormsModule,
  type AbstractControl,
  type ValidationErrors,
} from '@angular/forms';
import { DomSanitizer } from '@angular/platform-browser';
import { RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import {
  LANGUAGES,
  PAIRINGS,
  SiteIssues,
  cssColor,
  familyById,
  flatColors,
  freshSiteId,
  namedColors,
  newSite,
  pageHtml,
  parseColor,
  plural,
  readIncoming,
  type Brand,
  type GivenColor,
} from '@yohaku/core';
import { SiteApi, failureWords } from '../api/index.ts';
import { ACTS, Choice, FormText, Segments } from '../ui/index.ts';
import { FilesField } from '../ui/late/index.ts';
import { siteNameProblem } from './site-name.ts';

/** The choices to begin with. */
const HAVE = [
  { value: 'nothing', label: 'Starting from scratch' },
  { value: 'colours', label: 'Colours' },
  { value: 'logo', label: 'A logo' },
  { value: 'brand', label: 'A brand file' },
] as const;
type Have = (typeof HAVE)[number]['value'];
/** Most colours that are taken from a list or a drawing. */
const MOST = 24;

/** Begins a site: a name, a language, and what there is. Beside it the page as it will be. */
@Component({
  selector: 'yo-new-site',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, ReactiveFormsModule, RouterLink, Choice, FilesField, FormText, Segments],
  templateUrl: './new-site.html',
  styleUrl: './new-site.less',
})
export class NewSite {
  readonly #api = inject(SiteApi);
  readonly #safe = inject(DomSanitizer);
  readonly #others = signal<readonly { readonly id: string; readonly name: string }[]>([]);
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true, validators: (control) => this.#named(control) }),
    language: new FormControl('en', { nonNullable: true }),
    have: new FormControl<Have>('nothing', { nonNullable: true }),
    colours: new FormControl('', { nonNullable: true }),
    families: new FormControl('', { nonNullable: true }),
  });
  protected readonly languages = LANGUAGES;
  protected readonly have = HAVE;
  protected readonly pairings = [
    { value: '', label: 'decide later' },
    ...PAIRINGS.map(({ heading, body }, i) => ({
      value: String(i),
      label: `${familyById(heading)?.name ?? heading} with ${familyById(body)?.name ?? body}`,
    })),
  ];
  readonly #value = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  /** The content of a file: its name, and its colours or the whole brand. */
  protected readonly file = signal<{
    readonly name: string;
    readonly content: File;
    readonly colors: readonly GivenColor[];
    readonly brand?: Brand;
  } | null>(null);
  protected readonly fileProblem = signal('');
  /** True if it was tried: from then on what is wrong is said. */
  protected readonly tried = signal(false);
  protected readonly problem = signal('');
  protected readonly busy = signal(false);
  protected readonly colors = computed((): readonly GivenColor[] => {
    const { have, colours } = this.#value();
    if (have === 'colours') return namedColors(colours ?? '').slice(0, MOST);
    return have === 'logo' || have === 'brand' ? (this.file()?.colors ?? []) : [];
  });
  protected readonly chips = computed(() => this.colors().map((color) => cssColor(color.rgb)));
  readonly #site = computed(() => {
    const { name = '', language = 'en', families = '', have } = this.#value();
    const label = name.trim() || 'Your site';
    const pairing = PAIRINGS[Number(families)];
    const brand = have === 'brand' ? this.file()?.brand : undefined;
    return newSite({
      id: freshSiteId(
        label,
        this.#others().map((other) => other.id),
      ),
      name: label.slice(0, 80),
      language,
      colors: this.colors(),
      ...(families !== '' && pairing ? { families: pairing } : {}),
      ...(brand ? { brand } : {}),
    });
  });
  protected readonly shown = computed(() =>
    this.#safe.bypassSecurityTrustHtml(pageHtml(this.#site(), 'home', '/fonts/')),
  );
  protected readonly decided = computed(() => {
    const swatches = Object.values(this.#site().brand.swatches).filter((swatch) => swatch.provisional).length;
    return this.#site().brand.families.provisional || swatches > 0
      ? 'Anything left open gets a working default, marked provisional.'
      : '';
  });
  protected readonly nameProblem = computed(() => {
    this.#value();
    const { name } = this.form.controls;
    return this.tried() || name.dirty ? ((name.errors?.['name'] as string | undefined) ?? '') : '';
  });
  protected readonly count = plural;

  constructor() {
    void firstValueFrom(this.#api.sites()).then(
      (sites) => {
        this.#others.set(sites);
        this.form.controls.name.updateValueAndValidity();
      },
      (error: unknown) => this.problem.set(failureWords(error)),
    );
  }

  #named({ value }: AbstractControl<string>): ValidationErrors | null {
    const problem = siteNameProblem(value, this.#others?.().map((other) => other.name) ?? []);
    return problem ? { name: problem } : null;
  }

  protected async read([content]: readonly File[]): Promise<void> {
    if (!content) return;
    this.fileProblem.set('');
    this.file.set(null);
    const text = content.size > 8_000_000 ? '' : await content.text();
    const refused = (why: string) => this.fileProblem.set(`${content.name} was not added. ${why}`);
    if (this.form.value.have === 'logo') {
      if (!/<svg[\s>]/.test(text))
        return refused(
          'Only SVG logos can be read here. Create the site first, then drop this image in Sources: its colours are read there.',
        );
      const colors = flatColors(text)
        .flatMap(({ hex }) => parseColor(hex) ?? [])
        .slice(0, MOST);
      return this.file.set({ name: content.name, content, colors });
    }
    try {
      const incoming = readIncoming(content.name, text);
      // As the file has them: a token that is called red is no red, and keeps its name.
      const colors = [
        ...new Map(incoming.colors.map(({ color, label }) => [cssColor(color.rgb), { ...color, label }])).values(),
      ].slice(0, MOST);
      if (!incoming.brand && colors.length === 0) return refused('It contains no colour.');
      this.file.set({
        name: content.name,
        content,
        colors,
        ...(incoming.brand ? { brand: incoming.brand.brand } : {}),
      });
    } catch (error) {
      // It is the file that cannot be read; there is no site yet.
      refused(
        error instanceof SiteIssues
          ? `${error.issues[0]!.path} ${error.issues[0]!.message}`
          : error instanceof Error
            ? error.message
            : 'It cannot be read.',
      );
    }
  }

  protected async begin(): Promise<void> {
    this.tried.set(true);
    if (this.form.invalid || this.busy()) return;
    this.busy.set(true);
    this.problem.set('');
    try {
      const { id } = await firstValueFrom(this.#api.beginSite(this.#site()));
      const file = this.file();
      // A given logo becomes a source of the site.
      if (file && this.form.value.have === 'logo')
        await firstValueFrom(this.#api.addSource(id, 'first-source', file.name, file.content)).catch(() => undefined);
      // The desk of a site begins with nothing left of anything else.
      location.assign(`/sites/${id}/colour`);
    } catch (error) {
      this.problem.set(failureWords(error));
      this.busy.set(false);
    }
  }
}
