import { ChangeDetectionStrategy, Component, computed, input, output, viewChild } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzSelectComponent, NzSelectModule } from 'ng-zorro-antd/select';

export interface ChoiceOption {
  readonly value: string;
  readonly label: string;
  readonly color?: string;
  /** The family the sample is set in. */ readonly family?: string;
  readonly sample?: string;
}
let count = 0;
/** Stands for the empty value inside the select, which never makes an empty option the one that Enter takes. */
const NONE = '-';

/**
 * Returns true if two lists show the same: an equal list stays the same object, or the select measures itself anew on
 * every step of a held control.
 */
function sameOptions(bytes: readonly ChoiceOption[], other: readonly ChoiceOption[]): boolean {
  return (
    bytes.length === other.length &&
    bytes.every((option, i) => {
      const { value, label, color, family, sample } = other[i]!;
      return (
        option.value === value &&
        option.label === label &&
        option.color === color &&
        option.family === family &&
        option.sample === sample
      );
    })
  );
}

/** One of several by name, with a chip of its colour or a sample in its letters where it has one. */
@Component({
  selector: 'yo-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NzSelectModule],
  host: { '(keydown.escape)': 'shut($event)' },
  template: `
    <label [for]="id" class="head" [class.sr]="hideLabel()">{{ label() }}</label>
    <nz-select
      [nzId]="id"
      [ngModel]="inner(value())"
      (ngModelChange)="take($event)"
      [nzPlaceHolder]="placeholder()"
      [nzDropdownMatchSelectWidth]="false"
      nzShowSearch
      nzNotFoundContent="Nothing here is called so."
      (nzOpenChange)="$event || tried.emit(null)"
      [style.width.px]="width()"
    >
      @for (option of stable(); track option.value) {
        <nz-option [nzValue]="inner(option.value)" [nzLabel]="option.label" nzCustomContent
          ><span class="whole" (mouseenter)="tried.emit(option.value)" (mouseleave)="tried.emit(null)">
            @if (option.color) {
              <span class="chip" [style.background]="option.color"></span>
            }
            @if (option.family) {
              <span class="sample" [style.font-family]="option.family">{{ option.sample }}</span>
            }
            <span>{{ option.label }}</span></span
          ></nz-option
        >
      }
    </nz-select>
  `,
  styles: `
    :host {
      display: inline-flex;
      flex-direction: column;
    }
    .chip {
      display: inline-block;
      width: 12px;
      height: 12px;
      margin-right: 8px;
      vertical-align: -1px;
      outline: 1px solid #d9d9d9;
    }
    .sample {
      display: inline-block;
      min-width: 104px;
      margin-right: 16px;
      font-size: 22px;
      line-height: 30px;
      vertical-align: -4px;
    }
    .whole {
      display: block;
      margin: -5px -12px;
      padding: 5px 12px;
    }
  `,
})
export class Choice {
  private readonly select = viewChild.required(NzSelectComponent);
  readonly label = input.required<string>();
  readonly value = input.required<string | null>();
  readonly options = input.required<readonly ChoiceOption[]>();
  readonly width = input(140);
  readonly hideLabel = input(false);
  readonly placeholder = input('');
  readonly chosen = output<string>();
  /** The option that is pointed at, to be tried on the wall; null when none is any more. */
  readonly tried = output<string | null>();
  protected readonly stable = computed(() => this.options(), { equal: sameOptions });
  protected readonly id = `choice-${++count}`;

  /** Closes an open list alone: the panel around does not hear of it. */
  protected shut(event: Event): void {
    const select = this.select();
    if (!select.nzOpen) return;
    event.stopPropagation();
    select.setOpenState(false);
  }
  protected inner = (value: string | null): string | null => (value === '' ? NONE : value);
  protected take(inner: string): void {
    this.chosen.emit(inner === NONE ? '' : inner);
    // A refused choice does not stay in the list.
    setTimeout(() => this.select().writeValue(this.inner(this.value())));
  }
}
