import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { firstValueFrom } from 'rxjs';
import { EXPORT_FILES, fileCount, plural, type ExportFile, type LettersPage, type Publications } from '@yohaku/core';
import { NO_LETTERS, MessagesList } from './messages-list.ts';
import { saveFile } from './save-file.ts';
import { SiteApi, failureWords } from '../../api/index.ts';
import { OpenCounts } from '../../desk/open-counts.ts';
import { Editor, auditFeature, siteFeature, Reaching, type Scope } from '../../state/index.ts';
import { AuditLink } from '../../workers/index.ts';
import { ACTS, More, Subject } from '../../ui/index.ts';

/** The differences between live and saved site, the open items, and one button with the number of differences. */
@Component({
  selector: 'yo-publish',
  imports: [ACTS, More, MessagesList, Reaching, Subject],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './publish-step.html',
  styleUrl: './publish-step.less',
})
export class PublishStep {
  readonly #store = inject(Store);
  readonly #api = inject(SiteApi);
  readonly #editor = inject(Editor);
  readonly #open = inject(OpenCounts);
  readonly #judge = inject(AuditLink);
  protected readonly siteId = this.#store.selectSignal(siteFeature.selectSiteId);
  readonly #sequence = this.#store.selectSignal(siteFeature.selectSequence);
  protected readonly saving = this.#store.selectSignal(siteFeature.selectSaving);
  protected readonly report = this.#store.selectSignal(auditFeature.selectReport);
  protected readonly known = signal<Publications | null>(null);
  protected readonly busy = signal(false);
  protected readonly words = signal('');
  protected readonly notLive = this.#open.notLive;
  protected readonly site = this.#editor.current;

  protected readonly postBox = signal(false);
  protected readonly letters = signal<LettersPage>(NO_LETTERS);
  protected readonly newLetters = computed(() => this.letters().unread);
  /** Loads new messages at each opening; without an answer the known ones stay. */
  protected async lookForLetters(): Promise<void> {
    const letters = await firstValueFrom(this.#api.letters(this.siteId())).catch(() => null);
    if (letters) this.letters.set(letters);
  }

  /** Open formats of what is on the desk, each one file. */
  protected readonly files: readonly ExportFile[] = Object.values(EXPORT_FILES);
  protected save({ name, type, write }: ExportFile): void {
    const site = this.site();
    if (site) saveFile(`${site.id}-${name}`, type, write(site));
  }

  /** The differences from the live site, the same that are counted. */
  protected readonly difference = this.#open.difference;
  /** The number of pages that a publication contains. */
  protected readonly publishedCount = computed(() => (this.site() ? fileCount(this.site()!) : 0));
  protected readonly equal = computed(
    () =>
      (this.site()?.pageOrder.length ?? 0) -
      (this.difference()?.pages.length ?? 0) -
      (this.difference()?.added.length ?? 0),
  );
  /** The state of the live site, and what is open before the next publication. */
  protected readonly headline = computed(() => {
    const [notLive, open] = [this.notLive(), this.stillOpen().length];
    return {
      subject:
        notLive === null
          ? 'Nothing is live yet'
          : notLive === 0
            ? 'The live site is up to date'
            : `${plural(notLive, 'difference')} not live`,
      figure:
        open > 0 ? `${plural(open, 'open point')}; you can publish all the same` : 'everything passes and uses tokens',
    };
  });
  protected readonly stillOpen = computed(() => {
    const report = this.report();
    const site = this.site();
    if (!report || !site) return [];
    const provisional = Object.values(site.brand.styles)
      .filter((style) => style.provisional)
      .map((style) => style.label);
    return [
      ...(report.tally.failing ? [`${plural(report.tally.failing, 'place')} failing`] : []),
      ...(report.counts.cannotTell
        ? [`${plural(report.counts.cannotTell, 'place')} not yet measured: text over images`]
        : []),
      ...(report.tally.stray ? [`${plural(report.tally.stray, 'place')} with raw values`] : []),
      ...(provisional.length ? [`provisional: ${provisional.join(', ')}`] : []),
    ];
  });

  constructor() {
    effect(() => {
      if (this.siteId()) void this.#load();
    });
  }

  async #load(): Promise<void> {
    try {
      const known = await firstValueFrom(this.#api.publications(this.siteId()));
      this.known.set(known);
      this.#open.live.set(known.live?.site ?? null);
      await this.lookForLetters();
    } catch (error) {
      this.words.set(failureWords(error));
    }
  }

  protected async publish(): Promise<void> {
    await this.#try(async () => {
      const { pixels, layout } = await this.#judge.evidence();
      const { number } = await firstValueFrom(this.#api.publish(this.siteId(), this.#sequence(), pixels, layout));
      this.words.set(`Publication ${number} is live.`);
    });
  }
  protected async makeLive(number: number): Promise<void> {
    await this.#try(async () => {
      await firstValueFrom(this.#api.makeLive(this.siteId(), number));
      this.words.set(`Publication ${number} is live again.`);
    });
  }
  async #try(work: () => Promise<void>): Promise<void> {
    if (this.busy()) return;
    this.busy.set(true);
    this.words.set('');
    try {
      await work();
      await this.#load();
    } catch (error) {
      this.words.set(failureWords(error));
    } finally {
      this.busy.set(false);
    }
  }
  protected when(at: string): string {
    return new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
  }
  protected readonly publishing: Scope = { words: 'Publishing makes the saved site public; no place changes' };
  protected readonly count = plural;
}
