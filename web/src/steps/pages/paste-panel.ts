import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { addPasted, blocksFromPasted, pageTree, plural, type PastedNode } from '@yohaku/core';
import { Editor, freshId, pasteProblem, pastedNodes, pastedText } from '../../state/index.ts';
import { ACTS, FocusIn, KEYS, Segments, TextArea } from '../../ui/index.ts';

/**
 * Words from elsewhere: pasted, seen for what of them is taken and what is left out, then laid in as a section in the
 * brand's own styles.
 */
@Component({
  selector: 'yo-paste-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Segments, TextArea],
  template: `
    <div class="top">
      <span class="strong">Paste text</span><span class="note">{{ where() }}</span
      ><button
        yo-act
        slight
        class="end"
        icon="close"
        yoTip="Closes this panel"
        [yoKey]="keyOf.back"
        (click)="closed.emit()"
      >
        Close
      </button>
    </div>
    <div class="cols">
      <yo-area
        label="Paste from a document, an email or a page, or type"
        [rows]="6"
        [value]="text()"
        (typed)="type($event)"
        (paste)="paste($event)"
      />
      <section aria-label="Preview" role="status">
        @if (problem()) {
          <p>{{ problem() }}</p>
        }
        @if (pasted(); as made) {
          @if (made.blocks.length) {
            <p>
              <span class="head">Text, in the styles of the brand</span> {{ made.taken.join(', ') }}; in {{ styles() }}.
            </p>
            @if (made.left.length) {
              <p>
                <span class="head">Not included</span> {{ made.left.join(', ') }}. Add images with Files, embeds with
                Add a section.
              </p>
            }
            @if (made.looks.length) {
              <yo-segments
                label="Formatting"
                [options]="ways"
                [value]="raw() ? 'raw' : 'brand'"
                (chosen)="raw.set($event === 'raw')"
              />
              @if (raw()) {
                <p class="note">
                  {{ count(made.looks.length, 'raw value') }}. Check lists them and can match all to the nearest token.
                </p>
              }
            }
            <p>
              <button yo-act main (click)="lay()">Insert</button> <button yo-act slight (click)="clear()">Clear</button>
            </p>
          } @else {
            <p>It contains no text. {{ made.left.length ? 'Not included: ' + made.left.join(', ') + '.' : '' }}</p>
          }
        } @else if (!problem()) {
          <p class="note">
            Headings, paragraphs, lists, quotes and tables become blocks; source formatting is dropped.
          </p>
        }
      </section>
    </div>
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
    }
    .cols > * {
      overflow: auto;
      padding: 2px;
    }
    section p {
      padding-bottom: 6px;
    }
    .head {
      display: block;
    }
  `,
  hostDirectives: [FocusIn],
  host: { '(keydown.escape)': 'closed.emit(); $event.stopPropagation()' },
})
export class PastePanel {
  readonly #editor = inject(Editor);
  protected readonly keyOf = KEYS;
  readonly page = input.required<string>();
  /** The section it goes behind; null for last. */
  readonly after = input.required<string | null>();
  readonly where = input.required<string>();
  readonly closed = output();
  readonly laid = output<string>();
  protected readonly text = signal('');
  protected readonly problem = signal('');
  readonly #nodes = signal<readonly PastedNode[] | null>(null);
  readonly #id = signal(freshId('x'));
  protected readonly pasted = computed(() => {
    const [site, nodes] = [this.#editor.current(), this.#nodes()];
    return site && nodes
      ? blocksFromPasted(
          site,
          nodes,
          pageTree(site, this.page()).places.some(({ level }) => level === 1),
          (count) => `${this.#id()}-b${count}`,
        )
      : null;
  });

  protected readonly count = plural;
  protected readonly raw = signal(false);
  protected readonly ways = [
    { value: 'brand', label: 'Brand styles only' },
    { value: 'raw', label: 'Keep source formatting as raw values' },
  ] as const;
  /** Styles of the brand that it comes in. */
  protected readonly styles = computed(() => {
    const styles = this.#editor.current()?.brand.styles ?? {};
    return [
      ...new Set(
        this.pasted()?.blocks.flatMap((block) => ('style' in block ? [styles[block.style]?.label ?? ''] : [])) ?? [],
      ),
    ]
      .filter(Boolean)
      .join(', ');
  });

  protected type(text: string): void {
    this.text.set(text);
    this.#take(text, () => pastedText(text));
  }
  protected paste(event: ClipboardEvent): void {
    const [html, text] = ['text/html', 'text/plain'].map((type) => event.clipboardData?.getData(type) ?? '') as [
      string,
      string,
    ];
    if (html.trim() === '') return;
    event.preventDefault();
    this.text.set(text.slice(0, 20_000));
    this.#take(html, () => pastedNodes(html));
  }
  #take(source: string, read: () => PastedNode[]): void {
    this.problem.set(pasteProblem(source));
    this.#nodes.set(this.problem() !== '' || source.trim() === '' ? null : read());
  }
  protected clear(): void {
    this.text.set('');
    this.problem.set('');
    this.#nodes.set(null);
  }
  protected lay(): void {
    const [made, id] = [this.pasted(), this.#id()];
    if (!made) return;
    this.#editor.commit((site) => addPasted(site, this.page(), id, made, this.after() ?? undefined, this.raw()));
    this.#id.set(freshId('x'));
    this.laid.emit(id);
  }
}
