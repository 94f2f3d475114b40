import { DOCUMENT, Injectable, computed, effect, inject } from '@angular/core';
import { familiesInUse, fontsCss } from '@yohaku/core';
import { Editor } from '../state/index.ts';

/** The site's own families on the desk, so that samples there stand in the letters of the wall. */
@Injectable({ providedIn: 'root' })
export class DeskFonts {
  readonly #document = inject(DOCUMENT);
  readonly #editor = inject(Editor);
  readonly #families = computed(() => this.#editor.shown()?.brand.families, { equal: (one, other) => one?.heading === other?.heading && one?.body === other?.body });

  constructor() {
    effect(() => {
      if (!this.#families()) return;
      let style = this.#document.getElementById('desk-fonts');
      if (!style) {
        style = this.#document.createElement('style');
        style.id = 'desk-fonts';
        this.#document.head.append(style);
      }
      style.textContent = fontsCss(familiesInUse(this.#editor.shown()!.brand), '/fonts/');
    });
  }
}
