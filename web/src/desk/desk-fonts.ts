import { DOCUMENT, Injectable, inject } from '@angular/core';
import { LIBRARY, fontsCss } from '@yohaku/core';

/** The families on the desk, so that samples there stand in the letters of the wall. A font is fetched only when something is set in it. */
@Injectable({ providedIn: 'root' })
export class DeskFonts {
  constructor() {
    const document = inject(DOCUMENT);
    const style = document.createElement('style');
    style.textContent = fontsCss(LIBRARY, '/fonts/');
    document.head.append(style);
  }
}
