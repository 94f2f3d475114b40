/** Where a section would go that is held over a page of the wall. */
export interface DropTarget {
  readonly page: string;
  /** The entry it goes behind; null: before all. */ readonly after: string | null;
  /** A line between the two sections, in px of the window. */ readonly line: {
    readonly left: number;
    readonly top: number;
    readonly width: number;
  };
}

/**
 * The place between two sections of a page on the wall that is nearest to a point of
 * the window; undefined beside every page. Pages are the frames that name theirs.
 */
export function sectionAt(x: number, y: number): DropTarget | undefined {
  for (const frame of document.querySelectorAll<HTMLIFrameElement>('yo-page-frame iframe')) {
    const box = frame.getBoundingClientRect();
    const paper = frame.parentElement!.getBoundingClientRect();
    if (x < paper.left || x > paper.right || y < paper.top || y > paper.bottom) continue;
    const page = frame.closest<HTMLElement>('[id^="page-"]')?.id.slice('page-'.length);
    const parts = [...(frame.contentDocument?.querySelectorAll<HTMLElement>('main > [data-part]') ?? [])];
    if (page === undefined || !frame.contentDocument?.body) continue;
    const scale = box.width / frame.clientWidth;
    const header = frame.contentDocument.querySelector('header[data-part]')?.getBoundingClientRect().bottom ?? 0;
    const gaps = [
      { after: null as string | null, top: header },
      ...parts.map((part) => ({ after: part.dataset['part']!, top: part.getBoundingClientRect().bottom })),
    ];
    const within = (y - box.top) / scale;
    const nearest = gaps.reduce((best, entry) =>
      Math.abs(entry.top - within) < Math.abs(best.top - within) ? entry : best,
    );
    return {
      page,
      after: nearest.after,
      line: {
        left: paper.left,
        top: Math.min(paper.bottom - 2, Math.max(paper.top, box.top + nearest.top * scale)),
        width: paper.width,
      },
    };
  }
  return undefined;
}
