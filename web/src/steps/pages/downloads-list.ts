import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  downloadFacts,
  keptDownloads,
  removeDownload,
  replaceDownload,
  setValue,
  type Download,
  type KeptDownload,
} from '@yohaku/core';
import { Editor } from '../../state/index.ts';
import { ACTS, Choice, TextField, nameProblem } from '../../ui/index.ts';

/**
 * Files for visitors to download: named, replaced wherever something leads to one; those that nothing leads to can go.
 */
@Component({
  selector: 'yo-downloads-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, TextField],
  template: `
    <ul aria-label="Downloads of the site">
      @for (entry of shown(); track entry.download.id) {
        <li>
          <yo-text
            [label]="'Name of ' + entry.download.name"
            [hideLabel]="true"
            [value]="entry.download.name"
            width="220px"
            [check]="check"
            (done)="rename(entry.download, $event)"
          />
          <span class="mono">{{ facts(entry.download) }}</span><span class="note">{{ told(entry) }}</span>
          @if (entry.uses) {
            <yo-choice
              [label]="'Replace ' + entry.download.name"
              [hideLabel]="true"
              [value]="null"
              placeholder="replace with"
              [options]="others(entry)"
              [width]="150"
              (chosen)="replace(entry.download, $event)"
            />
          } @else {
            <yo-delete slight [name]="entry.download.name" words="" (done)="remove(entry.download)" />
          }
        </li>
      } @empty {
        <li class="quiet">
          {{
            downloads().length
              ? 'No results.'
              : 'No downloads yet. Add a PDF, ZIP, CSV, calendar or text file, or drop it here. Links and Download blocks use its name.'
          }}
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      overflow: auto;
    }
    li {
      display: flex;
      gap: 16px;
      align-items: center;
      min-height: 34px;
      border-bottom: 1px solid #d9d9d9;
    }
  `,
})
export class DownloadsList {
  readonly #editor = inject(Editor);
  readonly sought = input('');
  protected readonly downloads = computed(() => (this.#editor.shown() ? keptDownloads(this.#editor.shown()!) : []));
  protected readonly shown = computed(() => {
    const wanted = this.sought().trim().toLowerCase();
    return this.downloads().filter(({ download, where }) =>
      [download.name, ...where].some((text) => text.toLowerCase().includes(wanted)),
    );
  });
  protected readonly check = nameProblem('A download');
  protected readonly facts = downloadFacts;
  protected told({ uses, where }: KeptDownload): string {
    return uses === 0
      ? 'no links'
      : `${uses === 1 ? '1 link' : `${uses} links`}: ${where.slice(0, 3).join(', ')}${where.length > 3 ? ' and others' : ''}`;
  }
  protected others({ download }: KeptDownload): { value: string; label: string }[] {
    return this.downloads()
      .filter((entry) => entry.download.id !== download.id)
      .map((entry) => ({ value: entry.download.id, label: entry.download.name }));
  }
  protected rename({ id }: Download, name: string): void {
    this.#editor.commit((site) => setValue(site, `Download ${name}`, ['downloads', id, 'name'], name));
  }
  protected replace({ id }: Download, other: string): void {
    this.#editor.commit((site) => replaceDownload(site, id, other));
  }
  protected remove({ id }: Download): void {
    this.#editor.commit((site) => removeDownload(site, id));
  }
}
