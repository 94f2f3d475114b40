import { DOCUMENT, Injectable, effect, inject } from '@angular/core';
import { LIBRARY, fontsCss } from '@yohaku/core';
import { Editor } from '../state/index.ts';

/**
 * The families on the desk, so that samples there stand in the letters of the wall. A font is fetched only when
 * something is set in it.
 */
@Injectable({ providedIn: 'root' })
export class DeskFonts {
  constructor() {
    const document = inject(DOCUMENT);
    const editor = inject(Editor);
    const add = (css: string): HTMLStyleElement => {
      const style = document.createElement('style');
      style.textContent = css;
      document.head.append(style);
      return style;
    };
    add(fontsCss(LIBRARY, '/fonts/'));
    const own = add('');
    effect(() => {
      const css = fontsCss(Object.values(editor.current()?.brand.fonts ?? {}), '/fonts/');
      if (own.textContent !== css) own.textContent = css;
    });
  }
}
