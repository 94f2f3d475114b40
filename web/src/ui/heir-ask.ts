import { ChangeDetectionStrategy, Component, input, linkedSignal, output } from '@angular/core';
import { Choice, type ChoiceOption } from './choice.ts';

/** Asks what takes the place of something that is about to be deleted and still used. */
@Component({
  selector: 'yo-heir-ask',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice],
  template: `
    <span class="line" role="group" [attr.aria-label]="'Delete ' + name()">{{ words() }} Replacement:
      <yo-choice label="Replacement" [hideLabel]="true" [value]="heir()" [options]="options()" [width]="110" (chosen)="heir.set($event)" />
      <button class="box" (click)="done.emit(heir())">Delete {{ name() }}</button><button class="act" (click)="kept.emit()">Keep it</button></span>
  `,
  styles: `.line { display: flex; gap: 12px; align-items: center; padding: 4px 0; }`,
})
export class HeirAsk {
  readonly name = input.required<string>();
  readonly words = input.required<string>();
  readonly options = input.required<readonly ChoiceOption[]>();
  readonly done = output<string>();
  readonly kept = output();
  protected readonly heir = linkedSignal(() => this.options()[0]?.value ?? '');
}
