/** Elements that take the focus. */
const FOCUSABLE = 'input, textarea, button, a[href], [tabindex="0"]';

const words = (text: string | null): string => (text ?? '').replace(/\s+/g, ' ').trim();
/** Returns the accessible name of a button: its `aria-label`, else its words. */
const called = (button: HTMLElement): string => words(button.getAttribute('aria-label') ?? button.innerText);
const isShown = (element: Element): boolean => element.getClientRects().length > 0;

/** Returns the control with a name among what is shown: by its label, its own words, or what it is read out as. */
export function controlNamed(root: ParentNode, name: string): HTMLElement | undefined {
  for (const label of root.querySelectorAll('label')) {
    const field = label.htmlFor && words(label.textContent) === name ? document.getElementById(label.htmlFor) : null;
    if (field && isShown(label.parentElement!)) return field;
  }
  for (const entry of root.querySelectorAll<HTMLElement>('[aria-label]')) {
    if (entry.getAttribute('aria-label') !== name || !isShown(entry)) continue;
    const taker = entry.matches(FOCUSABLE) ? entry : entry.querySelector<HTMLElement>(FOCUSABLE);
    if (taker) return taker;
  }
  // A button may go on with what it is about: "Lock", "Duplicate Paper", "Post box: 3 new".
  const buttons = [...root.querySelectorAll<HTMLElement>('button, a[href], [role=button]')].filter(isShown);
  const begins = new RegExp(`^${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}\\p{N}])`, 'u');
  return buttons.find((button) => called(button) === name) ?? buttons.find((button) => begins.test(called(button)));
}
