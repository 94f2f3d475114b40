import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Store } from '@ngrx/store';
import { joinEdits, offeredFields, setValue, type Offered, type Place, type Site } from '@yohaku/core';
import { Editor, Reaching, deskFeature, pictureWhole, type Scope } from '../../state/index.ts';
import { Choice, TextField } from '../../ui/index.ts';
import { FocusPoint, type PicturePoint } from '../../ui/late/index.ts';
import { selectedPlaces } from './selected-places.ts';

/** Width of a slip's inside and of the gap between two fields, px. */
const ROOM = 260;
const GAP = 3;
/** The widths of a letter in a list and in the label above, and of the mark that opens a list, px. */
const [LETTER, HEAD_LETTER, MARK] = [8, 6.2, 28];
const wants = ({ label, options, typed }: Offered): number =>
  typed
    ? ROOM
    : Math.max(label.length * HEAD_LETTER, Math.max(...options.map((option) => option.label.length)) * LETTER + MARK);

/** The choices of a place by its kind: variant and icon of a button, style and level of a text, cards in a row. */
@Component({
  selector: 'yo-slip-fields',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, FocusPoint, Reaching, TextField],
  template: `
    @if (fields().length > 0) {
      <div class="picks" [yoReaching]="here()">
        @for (field of fields(); track field.address.join('/')) {
          @if (field.typed; as typed) {
            <yo-text
              [label]="field.label"
              [value]="field.value"
              [offers]="typed.offers"
              [check]="typed.problem"
              [width]="width(field) + 'px'"
              (done)="set(field, $event)"
            />
            @if (field.focus; as focus) {
              @defer (on immediate) {
                @if (pictureOf(focus.asset); as entry) {
                  <yo-focus-point
                    [label]="'Focus point of ' + entry.name"
                    [src]="entry.src"
                    [width]="entry.width"
                    [height]="entry.height"
                    [point]="focus.at"
                    (held)="point(field, $event, 'preview')"
                    (done)="point(field, $event)"
                  />
                }
              }
            }
          } @else {
            <yo-choice
              [label]="field.label"
              [value]="field.value"
              [options]="field.options"
              [width]="width(field)"
              (chosen)="set(field, $event)"
            />
          }
        }
      </div>
    }
  `,
  styles: `
    .picks {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 3px;
      padding: 4px 0 8px;
    }
  `,
})
export class SlipFields {
  readonly #editor = inject(Editor);
  readonly #desk = inject(Store).selectSignal(deskFeature.selectDeskState);
  readonly place = input.required<Place>();
  readonly here = input.required<Scope>();
  protected readonly fields = computed(() => {
    const site = this.#editor.shown();
    return site ? offeredFields(site, this.place()) : [];
  });

  /** Three stand in one row where their names fit, else two. */
  protected width(field: Offered): number {
    const fields = this.fields();
    if (field.typed) return ROOM;
    const left = ROOM - 2 * GAP - fields.reduce((sum, entry) => sum + wants(entry), 0);
    return fields.length === 3 && left >= 0 ? wants(field) + left / 3 : (ROOM - GAP) / 2;
  }

  /** The picture a focus point is set on, whole. */
  protected readonly pictureOf = (id: string) => pictureWhole(this.#editor.shown(), id);
  protected point(field: Offered, { x, y }: PicturePoint, phase: 'preview' | 'commit' = 'commit'): void {
    this.set(field, `${Math.round(x * 100)}, ${Math.round(y * 100)}`, phase);
  }

  protected set(field: Offered, value: string, phase: 'preview' | 'commit' = 'commit'): void {
    const key = field.address.at(-1);
    this.#editor[phase]((site) => {
      const others = selectedPlaces(site, this.#desk().also).flatMap((place) =>
        offeredFields(site, place).filter((entry) => entry.label === field.label && entry.address.at(-1) === key),
      );
      const addresses = new Map([field, ...others].map((entry) => [entry.address.join('/'), entry]));
      const label =
        addresses.size === 1 ? `${field.label} of ${this.place().label}` : `${field.label} of ${addresses.size} places`;
      return joinEdits(
        site,
        label,
        [...addresses.values()].map(
          (address) => (now: Site) => setValue(now, '', address.address, address.kept(value)),
        ),
      );
    });
  }
}
