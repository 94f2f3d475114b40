import { Injectable, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { distinctUntilChanged, map } from 'rxjs';
import { ChangeRefused, setValue, type Edit, type Site } from '@yohaku/core';
import { afterPaint } from './after-paint.ts';
import { SiteActions } from './site/site.actions.ts';
import { siteFeature } from './site/site.selectors.ts';
import { FrameShare } from './frame-share.ts';

/** A fresh id for something new in the document or for a change. */
export function freshId(prefix: string): string {
  return `${prefix}-${crypto.randomUUID().replaceAll('-', '').slice(0, 12)}`;
}

/** An edit that a control refuses. The message is a sentence for the designer. */
export class EditRefused extends Error {}

/** How controls edit: preview while held, commit when released. */
@Injectable({ providedIn: 'root' })
export class Editor {
  readonly #store = inject(Store);
  /** The site with all edits done so far, without a preview. */
  readonly current = this.#store.selectSignal(siteFeature.selectCurrent);
  /** With the preview of a held control; it reaches the desk a frame after it reached the wall. */
  readonly shown = toSignal(
    afterPaint(
      this.#store
        .select(siteFeature.selectSiteState)
        .pipe(distinctUntilChanged((site, other) => site.shown === other.shown)),
      (state) => state.preview !== null,
      inject(FrameShare).next,
    ).pipe(map((state) => state.shown)),
    { initialValue: null },
  );

  preview(make: (site: Site) => Edit | undefined): void {
    const site = this.current();
    if (site) this.#store.dispatch(SiteActions.preview({ edit: make(site) ?? null }));
  }

  /** Ends the preview and does the edit, as one undo step. */
  commit(make: (site: Site) => Edit | undefined): void {
    const site = this.current();
    if (!site) return;
    try {
      const edit = make(site);
      if (edit) this.#store.dispatch(SiteActions.commit({ edit, id: freshId('c'), at: new Date().toISOString() }));
      else this.cancel();
    } catch (error) {
      this.cancel();
      // A refusal has a message for the designer. Any other error is a bug, and goes to the log.
      const refused = error instanceof ChangeRefused || error instanceof EditRefused;
      if (!refused) console.error(error);
      this.#store.dispatch(
        SiteActions.notice({
          words: refused ? error.message : 'This edit failed because of a fault in Yohaku. Nothing was changed.',
        }),
      );
    }
  }

  cancel(): void {
    this.#store.dispatch(SiteActions.preview({ edit: null }));
  }

  /** Shorthand for one value at an address. */
  set(label: string, at: readonly string[], value: unknown, phase: 'preview' | 'commit' = 'commit'): void {
    this[phase]((site) => setValue(site, label, at, value));
  }

  undo(): void {
    this.#store.dispatch(SiteActions.undo({ id: freshId('c') }));
  }

  redo(): void {
    this.#store.dispatch(SiteActions.redo({ id: freshId('c') }));
  }
}
