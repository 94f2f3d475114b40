import { Directive, output, signal } from '@angular/core';

/** Takes what is dropped on it from outside, and shows that it would while something is held over it. */
@Directive({
  selector: '[yoDrop]',
  host: {
    '(dragover)': 'hover($event)',
    '(dragleave)': 'over.set(false)',
    '(drop)': 'drop($event)',
    '[class.over]': 'over()',
  },
})
export class DropZone {
  readonly yoDrop = output<DataTransfer>();
  protected readonly over = signal(false);

  protected hover(event: DragEvent): void {
    event.preventDefault();
    this.over.set(true);
  }
  protected drop(event: DragEvent): void {
    event.preventDefault();
    this.over.set(false);
    if (event.dataTransfer) this.yoDrop.emit(event.dataTransfer);
  }
}
