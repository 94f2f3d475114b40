import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import {
  keptPictures,
  plural,
  removePicture,
  replacePicture,
  setValue,
  type Asset,
  type KeptPicture,
} from '@yohaku/core';
import { DownloadShelf, Editor, PictureShelf, pictureAddress } from '../../state/index.ts';
import { ACTS, Choice, DropZone, FocusIn, KEYS, SeekField, Segments, TextField, nameProblem } from '../../ui/index.ts';
import { FilesField } from '../../ui/late/index.ts';
import { DownloadsList } from './downloads-list.ts';

/**
 * The shelf of files. The pictures of the site: sought, brought, named, replaced wherever one is shown; those that
 * nothing shows are told and can go.
 */
@Component({
  selector: 'yo-pictures-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, DownloadsList, DropZone, FilesField, SeekField, Segments, TextField],
  template: `
    <div class="top" (yoDrop)="dropped($event)">
      <yo-segments label="Images or downloads" [options]="shelves" [value]="shelf()" (chosen)="shelf.set($event)" />
      <yo-seek
        [label]="shelf() === 'pictures' ? 'Search images' : 'Search downloads'"
        [hideLabel]="true"
        placeholder="name or page"
        width="150px"
        [value]="sought()"
        (typed)="sought.set($event)"
      />
      @if (shelf() === 'pictures') {
        <button yo-act slight [attr.aria-pressed]="unusedOnly()" (click)="unusedOnly.set(!unusedOnly())">
          not used {{ unused() }}
        </button>
        <yo-files label="Add images" [many]="true" accept=".png,.jpg,.jpeg,.webp,.svg" (chosen)="bring($event)" />
      } @else {
        <yo-files
          label="Add downloads"
          [many]="true"
          accept=".pdf,.zip,.csv,.tsv,.ics,.txt,.md"
          (chosen)="bring($event)"
        />
      }
      <span class="note">or drop them here</span>
      <span role="status">{{ reading() }}</span>
      <button
        yo-act
        slight
        class="end"
        icon="close"
        yoTip="Closes the files"
        [yoKey]="keyOf.back"
        (click)="closed.emit()"
      >
        Close
      </button>
    </div>
    @if (shelf() === 'downloads') {
      <div class="whole" (yoDrop)="dropped($event)"><yo-downloads-list [sought]="sought()" /></div>
    } @else {
      <div class="yo-rows" (yoDrop)="dropped($event)">
        <ul aria-label="Images of the site">
          @for (entry of shown(); track entry.asset.id) {
            <li>
              <img [src]="address(entry.asset)" alt="" loading="lazy" />
              <div>
                <yo-text
                  [label]="'Name of ' + entry.asset.name"
                  [hideLabel]="true"
                  [value]="entry.asset.name"
                  width="190px"
                  [check]="check"
                  (done)="rename(entry.asset, $event)"
                />
                <p class="note" [yoTip]="told(entry)">
                  {{ entry.asset.width }} × {{ entry.asset.height }}, {{ told(entry) }}
                </p>
                <p class="acts">
                  @if (entry.uses) {
                    <yo-choice
                      [label]="'Replace ' + entry.asset.name"
                      [hideLabel]="true"
                      [value]="null"
                      placeholder="replace with"
                      [options]="others(entry)"
                      [width]="190"
                      (chosen)="replace(entry.asset, $event)"
                    />
                  } @else {
                    <yo-delete slight [name]="entry.asset.name" words="" (done)="remove(entry.asset)" />
                  }
                </p>
              </div>
            </li>
          } @empty {
            <li class="quiet whole">
              {{ pictures().length ? 'No results.' : 'No images yet. Add some, or drop them here.' }}
            </li>
          }
        </ul>
      </div>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      height: 100%;
      min-height: 0;
    }
    .top {
      display: flex;
      gap: 14px;
      align-items: center;
      padding-bottom: 8px;
    }
    .end {
      margin-left: auto;
    }
    .whole {
      flex: 1;
      overflow: auto;
    }
    .over {
      outline: 2px dashed #1a1a1a;
      outline-offset: 2px;
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
      grid-auto-rows: 66px;
      gap: 10px 24px;
      padding: 2px;
      align-content: start;
    }
    .yo-rows {
      flex: 1;
      --row: 76px;
    }
    li {
      display: grid;
      grid-template-columns: 112px minmax(0, 1fr);
      gap: 12px;
      align-items: start;
    }
    li.whole {
      grid-column: 1 / -1;
      display: block;
    }
    .note {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    img {
      width: 112px;
      height: 66px;
      object-fit: contain;
      background: #d9d9d9;
    }
  `,
  hostDirectives: [FocusIn],
  host: { '(keydown.escape)': 'closed.emit(); $event.stopPropagation()' },
})
export class PicturesPanel {
  readonly #editor = inject(Editor);
  readonly #shelf = inject(PictureShelf);
  protected readonly keyOf = KEYS;
  readonly closed = output();
  protected readonly shelves = [
    { value: 'pictures', label: 'Images' },
    { value: 'downloads', label: 'Downloads' },
  ] as const;
  protected readonly shelf = signal<'pictures' | 'downloads'>('pictures');
  readonly #downloads = inject(DownloadShelf);
  protected readonly sought = signal('');
  protected readonly unusedOnly = signal(false);
  protected readonly pictures = computed(() => (this.#editor.shown() ? keptPictures(this.#editor.shown()!) : []));
  protected readonly unused = computed(() => this.pictures().filter(({ uses }) => uses === 0).length);
  protected readonly shown = computed(() => {
    const wanted = this.sought().trim().toLowerCase();
    return this.pictures().filter(
      ({ asset, uses, where }) =>
        (!this.unusedOnly() || uses === 0) &&
        [asset.name, ...where].some((text) => text.toLowerCase().includes(wanted)),
    );
  });
  protected readonly reading = computed(() =>
    this.#shelf.reading().length + this.#downloads.reading().length > 0
      ? `Reading ${[...this.#shelf.reading(), ...this.#downloads.reading()].join(', ')} …`
      : '',
  );
  protected readonly check = nameProblem('An image');

  protected address(asset: Asset): string {
    return pictureAddress(this.#editor.shown()!, asset);
  }
  protected told({ uses, where }: KeptPicture): string {
    return uses === 0
      ? 'not used'
      : `used ${uses === 1 ? 'once' : `${uses} times`}: ${where.slice(0, 3).join(', ')}${where.length > 3 ? ` and ${plural(where.length - 3, 'more page')}` : ''}`;
  }
  protected others({ asset }: KeptPicture): { value: string; label: string }[] {
    return this.pictures()
      .filter((picture) => picture.asset.id !== asset.id)
      .map((picture) => ({ value: picture.asset.id, label: picture.asset.name }));
  }
  protected bring(files: readonly File[]): void {
    void (this.shelf() === 'pictures' ? this.#shelf.bring(files) : this.#downloads.bring(files));
  }
  protected dropped(data: DataTransfer): void {
    this.bring([...data.files]);
  }
  protected rename(asset: Asset, name: string): void {
    this.#editor.commit((site) => setValue(site, `Image ${name}`, ['assets', asset.id, 'name'], name));
  }
  protected replace(asset: Asset, other: string): void {
    this.#editor.commit((site) => replacePicture(site, asset.id, other));
  }
  protected remove(asset: Asset): void {
    this.#editor.commit((site) => removePicture(site, asset.id));
  }
}
