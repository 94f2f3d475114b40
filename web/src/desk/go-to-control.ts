import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { DeskActions, Editor, deskFeature } from '../state/index.ts';
import { controlNamed } from './control-named.ts';
import type { StepControl } from './step-controls.ts';

/**
 * A step is fetched and filled some moments after it was asked for: it is looked at again after so many ms, so often.
 */
const LOOK_MS = 60;
const LOOKS = 80;
/** Number of looks without a result before folded parts are opened. */
const BEFORE_MORE = 5;

/** Opens the step and the panel of a control, and gives the control the focus. */
@Injectable({ providedIn: 'root' })
export class GoToControl {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  #going = 0;

  go(to: StepControl): void {
    const going = ++this.#going;
    const stands = (): boolean => going === this.#going && this.#desk().step === to.step;
    this.#store.dispatch(DeskActions.step({ step: to.step }));
    if (to.page) this.#takePage();
    if (to.section) this.#takeSection();
    if (to.role) this.#store.dispatch(DeskActions.choose({ choice: { role: to.role } }));
    const show = (isInPanel: boolean): void =>
      look(to.control, stands, isInPanel, (control) => {
        control.scrollIntoView({ block: 'nearest', inline: 'nearest' });
        control.focus();
      });
    // A panel that is open already is not opened again: its control is there.
    if (to.open && !controlNamed(desk(), to.control))
      look(to.open, stands, false, (button) => (button.click(), show(true)));
    else show(to.open !== undefined);
  }

  /** The first page has neither an address of its own nor a page above it. */
  #takePage(): void {
    const site = this.#editor.current();
    const home = site?.pageOrder.find((id) => site.pages[id]!.file === 'index.html');
    const other = site?.pageOrder.find((id) => id !== home);
    if (other && (this.#desk().page ?? home) === home) this.#store.dispatch(DeskActions.grow({ page: other }));
  }
  #takeSection(): void {
    const { page, section } = this.#desk();
    const site = this.#editor.current();
    const shown = site && (site.pages[page ?? ''] ?? site.pages[site.pageOrder[0]!]);
    if (!section || !shown?.sections[section])
      this.#store.dispatch(DeskActions.choose({ choice: { section: shown?.sectionOrder[0] ?? null } }));
  }
}

/** Buttons that close what lies over the rest of a step. */
const CLOSERS = ['Close', 'Back to the type scale'];

const desk = (): ParentNode => document.querySelector('.desk > .step') ?? document;

/**
 * Looks for a control until it is there; opens what is folded away, and closes a panel that lies over it, if it is not.
 */
function look(
  name: string,
  stands: () => boolean,
  isInPanel: boolean,
  found: (control: HTMLElement) => void,
  looked = 0,
): void {
  if (!stands() || looked > LOOKS) return;
  const control = controlNamed(desk(), name);
  if (control) return found(control);
  if (looked >= BEFORE_MORE) {
    const folded = [...desk().querySelectorAll<HTMLElement>('.yo-more[aria-expanded=false]')].find(
      (entry) => entry.getClientRects().length > 0,
    );
    (folded ?? (isInPanel ? undefined : CLOSERS.map((closer) => controlNamed(desk(), closer)).find(Boolean)))?.click();
  }
  setTimeout(() => look(name, stands, isInPanel, found, looked + 1), LOOK_MS);
}
