/** How far outside the window something is kept ready. */
const NEAR = '240px 400px';

const told = new WeakMap<Element, (near: boolean) => void>();
let watching: IntersectionObserver | undefined;

/**
 * Tells whether an element is in the window or near it, at once and whenever that changes.
 * One observer for all: browsers ask each of them anew for every frame they paint.
 *
 * @returns ends it
 */
export function watchSight(element: Element, tell: (near: boolean) => void): () => void {
  watching ??= new IntersectionObserver((entries) => {
    for (const { target, isIntersecting } of entries) told.get(target)?.(isIntersecting);
  }, { rootMargin: NEAR });
  told.set(element, tell);
  watching.observe(element);
  return () => {
    watching!.unobserve(element);
    told.delete(element);
  };
}
