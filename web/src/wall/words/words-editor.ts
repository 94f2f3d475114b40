import { Injectable, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  addBlocks,
  blocksFromPasted,
  partsAt,
  withBreaks,
  fieldProblem,
  isRunning,
  setValue,
  siteIndex,
  valueAt,
  type Href,
  type Inline,
  type PastedNode,
  type Place,
} from '@yohaku/core';
import { Editor, SiteActions, freshId, pasteProblem, pastedNodes, pastedText } from '../../state/index.ts';
import { KEYS } from '../../ui/index.ts';
import { tooMuch } from './read-inline.ts';
import { type Mark, type EditedWords, type Session } from './edited-words.ts';
import { type Words } from './edited-words.ts';
import { same, line, rich, selectWord } from './editable-words.ts';

/** Editing of words where they stand: the parent listens, the page itself runs no script. */
@Injectable({ providedIn: 'root' })
export class WordsEditor {
  readonly #editor = inject(Editor);
  readonly #store = inject(Store);
  readonly #edited = signal<EditedWords | null>(null);
  readonly edited = this.#edited.asReadonly();
  readonly #document = signal<Document | null>(null);
  /** The document of the frame in which words are being edited. */
  readonly document = this.#document.asReadonly();
  #session: Session | undefined;

  /** Puts emphasis on the chosen words, or takes it off. */
  mark(mark: Mark): void {
    this.#session?.mark(mark);
  }
  /** Makes a link of the chosen words, or (null) takes it off. */
  link(link: Href | null): void {
    this.#session?.link(link);
  }
  /** Ends the editing: done, or dropped. */
  finish(keep: boolean): void {
    this.#session?.finish(keep);
  }

  /**
   * Starts editing a place's words; ends with Enter or on leaving (done) or Escape (dropped).
   *
   * @param at where the user pressed, px of the page: running words are selected there
   */
  edit(document: Document, page: string, placeId: string, at?: { readonly x: number; readonly y: number }): void {
    const site = this.#editor.current();
    const place = site && siteIndex(site).byAddress.get(`${page} ${placeId}`);
    const element = document.querySelector<HTMLElement>(`[data-place="${placeId}"]`);
    if (!site || !place?.words || !element || element.isContentEditable) return;
    this.#session?.finish(true);
    const running = isRunning(site, place.words);
    // A cell that nobody has filled in is not kept at all.
    const kept = valueAt(site, place.words) ?? (running ? [] : '');
    const html = element.innerHTML;
    const words = !running
      ? line(element, String(kept))
      : rich(element, kept as readonly Inline[], place, () => this.#tell(place, words));
    element.focus({ preventScroll: at !== undefined });
    if (!running) document.getSelection()?.selectAllChildren(element);
    else if (at) selectWord(document, element, at);
    const finish = (keep: boolean) => {
      const after = words.read();
      const problem =
        !keep || same(after, kept)
          ? ''
          : typeof after === 'string'
            ? problemWords(fieldProblem(site, place.words!, after))
            : tooMuch(after);
      // Nothing of it is cut, and nothing is lost: it stays as it was typed, to be fixed.
      if (problem)
        return this.#store.dispatch(
          SiteActions.notice({
            words: `${place.label} was not saved: ${problem} Your text is still there; Escape discards it.`,
          }),
        );
      for (const [type, listener] of listeners) element.removeEventListener(type, listener as EventListener);
      document.removeEventListener('selectionchange', told);
      element.removeAttribute('contenteditable');
      element.innerHTML = html;
      this.#session = undefined;
      this.#edited.set(null);
      this.#document.set(null);
      if (!keep || same(after, kept)) return;
      this.#editor.commit((now) => setValue(now, `Text of ${place.label}`, place.words!, after));
      this.#askForProvisional(place.style);
    };
    const key = (event: KeyboardEvent) => {
      const mark = KEYS.strong.is(event) ? 'strong' : KEYS.emphasis.is(event) ? 'em' : undefined;
      if (KEYS.drop.is(event)) finish(false);
      else if (KEYS.keep.is(event)) {
        event.preventDefault();
        finish(true);
      } else if (KEYS.lineBreak.is(event)) {
        event.preventDefault();
        if (words.rich) document.execCommand('insertLineBreak');
      } else if (mark) {
        event.preventDefault();
        this.mark(mark);
      } else if (event.key === ' ' && element.tagName === 'BUTTON') {
        // A button takes the space bar for a press.
        event.preventDefault();
        document.execCommand('insertText', false, ' ');
      }
      event.stopPropagation();
    };
    const listeners = [
      // Whoever goes on in the tools beside the words has not left them.
      [
        'blur',
        () =>
          setTimeout(
            () =>
              globalThis.document.activeElement?.closest(TOOLS) ||
              (document.activeElement === element && document.hasFocus()) ||
              finish(true),
          ),
      ],
      ['keydown', key],
      [
        'paste',
        (event: ClipboardEvent) => {
          event.preventDefault();
          const [html, text] = ['text/html', 'text/plain'].map((type) => event.clipboardData?.getData(type) ?? '') as [
            string,
            string,
          ];
          const problem = pasteProblem(html.length > text.length ? html : text);
          if (problem) return this.#store.dispatch(SiteActions.notice({ words: problem }));
          if (!words.rich || (html.trim() === '' && !/\n\s*\S/.test(text.trim())))
            document.execCommand('insertText', false, text.replace(/\s+/g, ' '));
          else this.#paste(place, words, html.trim() === '' ? pastedText(text) : pastedNodes(html), finish);
        },
      ],
      // A button or a link that is edited is not pressed.
      ['click', (event: Event) => event.preventDefault()],
    ] as const;
    for (const [type, listener] of listeners) element.addEventListener(type, listener as EventListener);
    // Once the letter is painted, and once for all letters that were typed until then: what the tools show may come a
    // moment later.
    let telling = 0;
    const told = () => {
      telling ||= window.setTimeout(() => {
        telling = 0;
        if (element.isContentEditable) this.#tell(place, words);
      }, TOLD_MS);
    };
    document.addEventListener('selectionchange', told);
    this.#session = { finish, mark: words.mark, link: words.link };
    this.#document.set(document);
    this.#tell(place, words);
  }

  /**
   * Pastes into a text: inline text goes to the caret with its emphasis and links; whole blocks are added after it. The
   * notice names the parts that were not pasted.
   */
  #paste(place: Place, words: Words, nodes: PastedNode[], finish: (keep: boolean) => void): void {
    const site = this.#editor.current();
    if (!site) return;
    const start = freshId('x');
    const made = blocksFromPasted(site, nodes, true, (count) => `${start}-b${count}`);
    const left = made.left.length > 0 ? ` Not included: ${made.left.join(', ')}.` : '';
    const [first] = made.blocks;
    const part = partsAt(site, place).find(({ what }) => what === 'block');
    if (!first) return this.#store.dispatch(SiteActions.notice({ words: `The clipboard contains no text.${left}` }));
    if ((made.blocks.length === 1 && first.kind === 'text') || !part) {
      // Links keep their words and address; an id of their own keeps them apart from those that are there.
      const runs = withBreaks(
        made.blocks.flatMap((block) =>
          block.kind === 'text' || block.kind === 'quote'
            ? [block.content]
            : block.kind === 'list'
              ? block.order.map((id) => block.items[id]!.content)
              : [],
        ),
      );
      words.lay(runs.map((run) => ('id' in run ? { ...run, id: freshId('l') } : run)));
      if (left) this.#store.dispatch(SiteActions.notice({ words: `Pasted.${left}` }));
      return;
    }
    finish(true);
    const styles = [
      ...new Set(
        made.blocks.flatMap((block) => ('style' in block ? [site.brand.styles[block.style]?.label ?? ''] : [])),
      ),
    ].filter(Boolean);
    this.#editor.commit((now) => addBlocks(now, part, made.blocks, `Paste ${made.taken.join(', ')}`));
    this.#store.dispatch(
      SiteActions.notice({
        words: `Pasted after it: ${made.taken.join(', ')}${styles.length > 0 ? `, in ${styles.join(', ')}` : ''}.${left}`,
      }),
    );
  }

  #tell(place: Place, words: Words): void {
    const { link, mark } = words.chosen();
    const now = this.#edited();
    if (
      now &&
      now.page === place.page &&
      now.place === place.id &&
      now.rich === words.rich &&
      now.link === link &&
      now.mark === mark
    )
      return;
    this.#edited.set({ page: place.page, place: place.id, rich: words.rich, link, mark });
  }

  /** Real words have come to where a size or a family is not decided yet: says so, once they stand. */
  #askForProvisional(id: string | null): void {
    const brand = this.#editor.current()?.brand;
    const style = id === null ? undefined : brand?.styles[id];
    if (!brand || !style || !(style.provisional || brand.families.provisional)) return;
    const what = style.provisional ? `the style ${style.label} is` : 'the families are';
    this.#store.dispatch(
      SiteActions.notice({
        words: `Text added, and ${what} still provisional. Confirm it in Type before you publish.`,
      }),
    );
  }
}

/**
 * How long after the caret moved the tools beside the words follow: once the letter is painted, which no frame of their
 * own shall delay.
 */
const TOLD_MS = 50;

/** The tools beside words, by their tag. */
export const TOOLS = 'yo-words-tools';
const problemWords = (problem: string): string => (problem === '' ? '' : `it ${problem}.`);
