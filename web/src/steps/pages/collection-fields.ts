import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import {
  FIELD_KINDS,
  addField,
  planFieldKind,
  plural,
  removeField,
  setOptions,
  setValue,
  type FieldKindPlan,
  stepOp,
  type Collection,
  type CollectionField,
  type Edit,
  type FieldKind,
  type Site,
} from '@yohaku/core';
import { Editor, freshId } from '../../state/index.ts';
import { ACTS, Choice, TextField, nameProblem } from '../../ui/index.ts';

const KIND_LABELS: Readonly<Record<FieldKind, string>> = {
  line: 'line',
  text: 'text',
  rich: 'rich text',
  date: 'date',
  number: 'number',
  choice: 'choice',
  link: 'link',
  picture: 'image',
  download: 'download',
};

/** The number of values that the question about a kind shows, and their longest length in characters. */
const [NAMED, LONGEST] = [4, 32];

/**
 * The fields of a collection: named, of a kind, in an order; and the collection itself: its name, the page its items
 * have one like each.
 */
@Component({
  selector: 'yo-collection-fields',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, TextField],
  template: `
    <ul aria-label="Fields">
      @for (field of fields(); track field.id; let first = $first, last = $last) {
        <li>
          <yo-text
            [label]="'Name of ' + field.label"
            [hideLabel]="true"
            [value]="field.label"
            width="150px"
            [check]="check"
            (done)="set(field, $event)"
          />
          <yo-choice
            [label]="field.label + ' type'"
            [hideLabel]="true"
            [value]="field.kind"
            [options]="kinds"
            [width]="120"
            (chosen)="turn(field, $any($event))"
          />
          @if (field.kind === 'choice') {
            <yo-text
              [label]="'Choices of ' + field.label"
              [hideLabel]="true"
              placeholder="choices, separated by commas"
              [value]="(field.options ?? []).join(', ')"
              width="210px"
              (done)="offer(field, $event)"
            />
          }
          <span class="yo-joined"
            ><button
              yo-act
              slight
              icon="up"
              [attr.aria-label]="field.label + ' up'"
              [disabled]="first"
              (click)="move(field, -1)"
            ></button
            ><button
              yo-act
              slight
              icon="down"
              [attr.aria-label]="field.label + ' down'"
              [disabled]="last"
              (click)="move(field, 1)"
            ></button
          ></span>
          <yo-delete slight [name]="field.label" [words]="losing(field)" (done)="remove(field)" />
        </li>
      }
      <li>
        <yo-text
          label="Add a field"
          [hideLabel]="true"
          placeholder="add a field: name"
          [value]="''"
          width="150px"
          [check]="check"
          (done)="add($event)"
        />
      </li>
    </ul>
    @if (asked(); as now) {
      <section class="asked" role="alertdialog" aria-label="Change the type of a field">
        <p>
          <span class="strong">{{ now.field.label }} becomes {{ kindWords(now.kind) }}.</span> {{ now.plan.matched }} of
          {{ count(now.plan.said, 'value') }} match by name. No match: {{ withoutMatch(now.plan.without) }}. Items keep
          these texts and show them again if the field becomes a text.
        </p>
        <p class="acts">
          <button yo-act main (click)="confirm()">Change type</button
          ><button yo-act slight (click)="asked.set(null)">Cancel</button>
        </p>
      </section>
    } @else {
      <section aria-label="The collection">
        <yo-text
          label="Name of the collection"
          [value]="collection().label"
          width="200px"
          [check]="checkName"
          (done)="renamed.emit($event)"
        />
        <yo-choice
          label="Page of each item, modelled on"
          [value]="collection().page ?? ''"
          [options]="pages()"
          [width]="180"
          (chosen)="paged.emit($event)"
        />
        <p class="note">
          Text on that page with a field in braces, like {{ '{' + fields()[0]!.label + '}' }}, shows the item’s value.
          An image whose alternative text is an image field in braces shows the item’s image.
        </p>
        <yo-delete
          [name]="collection().label"
          label="Delete the collection"
          [words]="items() ? count(items(), 'item') + ' are deleted too.' : ''"
          (done)="gone.emit()"
        />
      </section>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
      gap: 24px;
      min-height: 0;
      flex: 1;
    }
    :host > * {
      overflow: auto;
      min-height: 0;
      padding: 2px;
    }
    li {
      display: flex;
      gap: 10px;
      align-items: center;
      min-height: 32px;
      border-bottom: 1px solid #d9d9d9;
    }
    section {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 16px;
      align-items: flex-end;
      align-content: flex-start;
    }
    section .note {
      flex: 1 1 100%;
    }
    .acts {
      display: flex;
      gap: 8px;
    }
  `,
})
export class CollectionFields {
  readonly #editor = inject(Editor);
  readonly collection = input.required<Collection>();
  readonly pages = input.required<readonly { readonly value: string; readonly label: string }[]>();
  readonly paged = output<string>();
  readonly renamed = output<string>();
  readonly gone = output();
  protected readonly kinds = FIELD_KINDS.map((value) => ({ value, label: KIND_LABELS[value] }));
  protected readonly fields = computed(() => this.collection().fieldOrder.map((id) => this.collection().fields[id]!));
  protected readonly items = computed(() => this.collection().itemOrder.length);
  protected readonly check = nameProblem('A field');
  protected readonly checkName = nameProblem('A collection');
  protected readonly count = plural;

  /** How many items lose what they say. */
  protected losing(field: CollectionField): string {
    const site = this.#editor.current()!;
    const said = this.collection().itemOrder.filter(
      (id) =>
        site.items[id]?.values[field.id] ||
        site.items[id]?.pictures?.[field.id] ||
        site.items[id]?.downloads?.[field.id],
    ).length;
    return said === 0 ? '' : `${plural(said, 'item')} ${said === 1 ? 'says' : 'say'} a value in it and lose it.`;
  }
  protected set(field: CollectionField, value: string): void {
    this.#do((site) => setValue(site, `Field ${field.label}`, [...this.#at(field), 'label'], value));
  }
  /** A change of kind that leaves some values without a match, until the designer confirms it. */
  protected readonly asked = signal<{
    readonly field: CollectionField;
    readonly kind: FieldKind;
    readonly plan: FieldKindPlan;
  } | null>(null);
  protected turn(field: CollectionField, kind: FieldKind): void {
    const site = this.#editor.current();
    if (!site) return;
    const plan = planFieldKind(site, this.collection().id, field.id, kind);
    if (plan.without.length > 0) return this.asked.set({ field, kind, plan });
    this.#do(() => plan.edit);
  }
  protected confirm(): void {
    const asked = this.asked();
    this.asked.set(null);
    if (asked) this.#do((site) => planFieldKind(site, this.collection().id, asked.field.id, asked.kind).edit);
  }
  /** Returns the first values without a match, each cut to one line. */
  protected withoutMatch(values: readonly string[]): string {
    const shown = values
      .slice(0, NAMED)
      .map((value) => `“${value.length > LONGEST ? `${value.slice(0, LONGEST).trimEnd()}…` : value}”`);
    return `${shown.join(', ')}${values.length > NAMED ? ` and ${values.length - NAMED} more` : ''}`;
  }
  protected kindWords(kind: FieldKind): string {
    return KIND_LABELS[kind];
  }
  protected offer(field: CollectionField, text: string): void {
    this.#do((site) => setOptions(site, this.collection().id, field.id, text.split(',')));
  }
  protected move(field: CollectionField, steps: -1 | 1): void {
    this.#do((site) => {
      const op = stepOp(site, ['collections', this.collection().id, 'fieldOrder'], field.id, steps);
      return op && { label: `Move field ${field.label}`, ops: [op] };
    });
  }
  protected add(label: string): void {
    this.#do((site) => addField(site, this.collection().id, freshId('f'), label, 'line'));
  }
  protected remove(field: CollectionField): void {
    this.#do((site) => removeField(site, this.collection().id, field.id));
  }
  #at(field: CollectionField): string[] {
    return ['collections', this.collection().id, 'fields', field.id];
  }
  #do(make: (site: Site) => Edit | undefined): void {
    this.#editor.commit(make);
  }
}
