import { Injectable } from '@angular/core';

/** How far outside the window something is kept ready. */
const NEAR = '240px 400px';

/** Tells elements when they come near the window and when they leave it. */
@Injectable({ providedIn: 'root' })
export class Sight {
  readonly #told = new WeakMap<Element, (near: boolean) => void>();
  /** Elements that came near and have not been told. */
  readonly #coming = new Set<Element>();
  #asked = false;
  /** One observer for all: browsers ask each observer anew for every frame they paint. */
  readonly #observer = new IntersectionObserver(
    (entries) => {
      for (const { target, isIntersecting } of entries) {
        if (isIntersecting) this.#coming.add(target);
        else {
          this.#coming.delete(target);
          this.#told.get(target)?.(false);
        }
      }
      if (!this.#asked) this.#tellNext();
    },
    { rootMargin: NEAR },
  );

  /**
   * Tells whether an element is in the window or near it, to begin with and whenever that changes. @returns a function
   * that ends it
   */
  watch(element: Element, tell: (near: boolean) => void): () => void {
    this.#told.set(element, tell);
    this.#observer.observe(element);
    return () => {
      this.#observer.unobserve(element);
      this.#coming.delete(element);
      this.#told.delete(element);
    };
  }

  /** Tells one element per frame of the screen: what is shown then is laid out, and several at once in one piece. */
  #tellNext(): void {
    const [first] = this.#coming;
    this.#asked = first !== undefined;
    if (!first) return;
    this.#coming.delete(first);
    this.#told.get(first)?.(true);
    requestAnimationFrame(() => this.#tellNext());
  }
}
