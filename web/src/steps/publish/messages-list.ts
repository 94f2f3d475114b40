import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { formsOf, messagesSheet, plural, type Letter, type LettersPage } from '@yohaku/core';
import { SiteApi, failureWords } from '../../api/index.ts';
import { Editor } from '../../state/index.ts';
import { ACTS, FocusIn, KEYS } from '../../ui/index.ts';
import { saveFile } from './save-file.ts';

export const NO_LETTERS: LettersPage = { letters: [], more: false, total: 0, unread: 0 };

/** The post box: what visitors sent from the forms of the published site, newest first. */
@Component({
  selector: 'yo-messages-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS],
  template: `
    <div class="top">
      <span class="strong">Messages</span><span class="note" role="status">{{ told() }}</span
      ><button yo-act slight (click)="look()">Refresh</button>
      @if (letters().length) {
        <button
          yo-act
          slight
          icon="export"
          yoTip="All messages as a spreadsheet: one row per message, one column per field"
          (click)="export()"
        >
          Export CSV
        </button>
      }
      <button
        yo-act
        slight
        class="end"
        icon="close"
        yoTip="Closes the messages"
        [yoKey]="keyOf.back"
        (click)="closed.emit()"
      >
        Close
      </button>
    </div>
    <div class="cols">
      <ul aria-label="Messages" class="yo-rows">
        @for (letter of letters(); track letter.id) {
          <li>
            <button
              yo-pick
              [attr.aria-pressed]="letter.id === open()?.id"
              [class.strong]="!letter.read"
              (click)="read(letter)"
            >
              <span>{{ when(letter.at) }}</span><span>{{ letter.tray }}</span
              ><span class="quiet">{{ first(letter) }}</span>
            </button>
          </li>
        } @empty {
          <li class="quiet">{{ empty() }}</li>
        }
        @if (more()) {
          <li><button yo-act slight (click)="older()">Show older messages</button></li>
        }
      </ul>
      @if (open(); as letter) {
        <section [attr.aria-label]="letter.tray">
          <p class="acts">
            <span class="strong">{{ letter.tray }}</span><span class="quiet"
              >from the page {{ letter.page }}, {{ when(letter.at) }}</span
            >
            <span class="end"
              ><button yo-act slight (click)="mark(letter, false)">Mark as new</button>
              <yo-delete slight name="this message" words="This cannot be undone." (done)="remove(letter)"
            /></span>
          </p>
          <dl>
            @for (field of letter.fields; track $index) {
              <dt class="head">{{ field.label }}</dt>
              <dd>{{ field.value || '—' }}</dd>
            }
          </dl>
        </section>
      } @else {
        <section class="note">Select a message to read it.</section>
      }
    </div>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      height: 100%;
      min-height: 0;
    }
    .top,
    .acts {
      display: flex;
      gap: 14px;
      align-items: center;
      padding-bottom: 4px;
    }
    .end {
      margin-left: auto;
    }
    .cols {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      gap: 40px;
      min-height: 0;
      flex: 1;
    }
    .cols > * {
      overflow: auto;
      min-height: 0;
      padding: 2px;
    }
    li .yo-pick {
      display: grid;
      grid-template-columns: 130px 130px minmax(0, 1fr);
      gap: 12px;
      width: 100%;
      text-align: start;
      border-bottom: 1px solid #d9d9d9;
      padding: 3px 0;
    }
    li span {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    dl {
      display: grid;
      grid-template-columns: 150px minmax(0, 1fr);
      gap: 4px 16px;
      margin: 0;
    }
    dd {
      margin: 0;
      white-space: pre-line;
      overflow-wrap: anywhere;
    }
  `,
  hostDirectives: [FocusIn],
  host: { '(keydown.escape)': 'closed.emit(); $event.stopPropagation()' },
})
export class MessagesList {
  readonly #api = inject(SiteApi);
  readonly #site = inject(Editor).current;
  readonly siteId = input.required<string>();
  /** The newest letters. Older letters load on request. */
  readonly newest = input.required<LettersPage>();
  readonly #older = linkedSignal<LettersPage, readonly LettersPage[]>({ source: this.newest, computation: () => [] });
  protected readonly letters = computed(() => [this.newest(), ...this.#older()].flatMap(({ letters }) => letters));
  protected readonly more = computed(() => (this.#older().at(-1) ?? this.newest()).more);
  readonly closed = output();
  /** The letters have changed, or shall be looked at again. */
  readonly changed = output();
  protected readonly keyOf = KEYS;
  readonly #open = signal<string | null>(null);
  readonly #words = signal('');
  protected readonly open = computed(() => this.letters().find(({ id }) => id === this.#open()));
  protected readonly told = computed(
    () =>
      this.#words() ||
      (this.letters().length === 0 ? '' : `${plural(this.newest().total, 'letter')}, ${this.newest().unread} new`),
  );
  protected readonly empty = computed(() => {
    const site = this.#site();
    return site && formsOf(site).length === 0
      ? 'The site has no form. Add a form in Pages and publish; messages arrive here.'
      : 'No messages yet. Messages from the forms of the live site arrive here.';
  });

  protected when(at: string): string {
    return new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
  }
  protected first({ fields }: Letter): string {
    return fields.map(({ value }) => value).find((value) => value !== '') ?? '';
  }
  protected read(letter: Letter): void {
    this.#open.set(letter.id);
    if (!letter.read) void this.mark(letter, true);
  }
  protected async older(): Promise<void> {
    this.#words.set('');
    try {
      await this.#next();
    } catch (error) {
      this.#words.set(failureWords(error));
    }
  }
  async #next(): Promise<void> {
    const page = await firstValueFrom(this.#api.letters(this.siteId(), this.letters().at(-1)!.id));
    this.#older.update((pages) => [...pages, page]);
  }
  /** Exports all letters, after loading the older ones. */
  protected async export(): Promise<void> {
    try {
      while (this.more()) {
        this.#words.set(`${this.letters().length} of ${plural(this.newest().total, 'letter')} read`);
        await this.#next();
      }
      this.#words.set('');
      saveFile(`${this.siteId()}-messages.csv`, 'text/csv', messagesSheet(this.letters()));
    } catch (error) {
      this.#words.set(failureWords(error));
    }
  }
  protected look(): void {
    this.changed.emit();
  }
  protected async mark(letter: Letter, read: boolean): Promise<void> {
    await this.#do(() => firstValueFrom(this.#api.markLetter(this.siteId(), letter.id, read)));
    if (!read) this.#open.set(null);
  }
  protected async remove(letter: Letter): Promise<void> {
    await this.#do(() => firstValueFrom(this.#api.removeLetter(this.siteId(), letter.id)));
  }
  async #do(act: () => Promise<unknown>): Promise<void> {
    this.#words.set('');
    try {
      await act();
    } catch (error) {
      this.#words.set(failureWords(error));
    }
    this.changed.emit();
  }
}
