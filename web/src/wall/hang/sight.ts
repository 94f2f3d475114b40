/** How far outside the window something is kept ready. */
const NEAR = '240px 400px';

const told = new WeakMap<Element, (near: boolean) => void>();
let watching: IntersectionObserver | undefined;
/**
 * Those that came near and have not been told: one a picture of the screen, for what is shown then is laid out, and
 * several at once in one piece.
 */
const coming = new Set<Element>();
let asked = false;

function tellNext(): void {
  const [first] = coming;
  asked = first !== undefined;
  if (!first) return;
  coming.delete(first);
  told.get(first)?.(true);
  requestAnimationFrame(tellNext);
}

/**
 * Tells whether an element is in the window or near it, to begin with and whenever that changes.
 * One observer for all: browsers ask each of them anew for every frame they paint.
 *
 * @returns ends it
 */
export function watchSight(element: Element, tell: (near: boolean) => void): () => void {
  watching ??= new IntersectionObserver(
    (entries) => {
      for (const { target, isIntersecting } of entries) {
        if (isIntersecting) coming.add(target);
        else {
          coming.delete(target);
          told.get(target)?.(false);
        }
      }
      if (!asked) tellNext();
    },
    { rootMargin: NEAR },
  );
  told.set(element, tell);
  watching.observe(element);
  return () => {
    watching!.unobserve(element);
    coming.delete(element);
    told.delete(element);
  };
}
