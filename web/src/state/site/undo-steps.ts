import { UndoStore } from '../../api/index.ts';
import type { SiteState, UndoStep } from './site-state.ts';

/** The undo steps of this window, stored over a reload. */
const store = new UndoStore<UndoStep>();

/** Returns the undo steps of a site from before a reload. Steps stored without a version are of the first. */
export function storedUndo(siteId: string): Pick<SiteState, 'done' | 'undone'> {
  const { done, undone } = store.read(siteId);
  const versioned = (steps: readonly UndoStep[]) =>
    steps.map((step) => ({ ...step, schemaVersion: (step as Partial<UndoStep>).schemaVersion ?? 1 }));
  return { done: versioned(done), undone: versioned(undone) };
}

/** Stores the undo steps of a site. @returns how many of the oldest steps did not fit and are lost after a reload */
export function storeUndo({ siteId, done, undone }: SiteState): number {
  return store.keep(siteId, done, undone);
}
