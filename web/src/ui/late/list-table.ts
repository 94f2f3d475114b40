import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  Directive,
  ElementRef,
  TemplateRef,
  ViewEncapsulation,
  afterNextRender,
  afterRenderEffect,
  computed,
  contentChildren,
  effect,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { NzTableModule, type NzTableComponent } from 'ng-zorro-antd/table';
import { ChecksMenu } from './checks-menu.ts';
import { IconSign } from '../icon.ts';
import { Pick } from '../pick.ts';
import { remember, remembered } from '../remember.ts';
import { compareValues, inOrder } from './row-order.ts';

/** A column: how it is called, and what of a row it shows. */
export interface Column<Row> {
  readonly id: string;
  readonly label: string;
  /** Px; none takes what is left. */
  readonly width?: number;
  /** Returns the value to sort and filter by, which is shown if there is no template; null comes last. */
  readonly value: (row: Row) => string | number | null;
  readonly right?: boolean;
  /** Set as a figure or a code. */
  readonly mono?: boolean;
  /** True if it can be narrowed to some of its values: those of few kinds. */
  readonly filter?: boolean;
  /** It is always shown. */
  readonly fixed?: boolean;
}

/** The template of a column's cell, if text is not enough: the row is `let-row`. */
@Directive({ selector: 'ng-template[yoCell]' })
export class Cell {
  readonly yoCell = input.required<string>();
  readonly template = inject<TemplateRef<{ $implicit: unknown; at: number }>>(TemplateRef);
}

const ROW = 28;
const HEAD = 26;
const LEAST = 60;

/**
 * A list of any length as a table: only the rows in sight are there (28 px each), sorted by pressing a
 * column's name, narrowed to some values, with the columns that are wanted. Sort and columns are kept by `id`.
 */
@Component({
  selector: 'yo-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [NgTemplateOutlet, NzTableModule, ChecksMenu, IconSign, Pick],
  template: `
    <nz-table
      #table
      [nzData]="ordered()"
      [nzVirtualItemSize]="rowHeight"
      [nzVirtualMinBufferPx]="140"
      [nzVirtualMaxBufferPx]="280"
      [nzVirtualForTrackBy]="same"
      [nzScroll]="{ y: height() + 'px' }"
      [nzFrontPagination]="false"
      [nzShowPagination]="false"
      [nzWidthConfig]="widths()"
      nzTableLayout="fixed"
      [nzNoResult]="empty()"
    >
      <thead role="rowgroup">
        <tr role="row">
          @for (entry of shown(); track entry.id) {
            <th
              role="columnheader"
              [attr.aria-sort]="sort()?.by === entry.id ? (sort()!.down ? 'descending' : 'ascending') : null"
              [class.right]="entry.right"
            >
              <button yo-pick (click)="sortBy(entry.id)">
                {{ entry.label }}
                @if (sort()?.by === entry.id) {
                  <yo-icon [name]="sort()!.down ? 'down' : 'up'" />
                }
              </button>
              @if (entry.filter) {
                <yo-checks-menu
                  [label]="'Filter by ' + entry.label"
                  [options]="values().get(entry.id)!"
                  [chosen]="left().get(entry.id)!"
                  [pressed]="held().has(entry.id)"
                  (turned)="turn(entry, $event)"
                />
              }
            </th>
          }
          @if (columnChoice().length) {
            <th role="columnheader">
              <yo-checks-menu
                label="Columns"
                [options]="columnChoice()"
                [chosen]="chosenColumns()"
                (turned)="turnColumn($event)"
              />
            </th>
          }
        </tr>
      </thead>
      <tbody role="rowgroup">
        <ng-template nz-virtual-scroll let-row let-index="index">
          <tr
            role="row"
            [class.now]="index === now()"
            [attr.aria-selected]="index === now()"
            (click)="pressed.emit(index)"
          >
            @for (entry of shown(); track entry.id) {
              <td role="cell" [class.right]="entry.right" [class.mono]="entry.mono">
                @if (templates().get(entry.id); as template) {
                  <ng-container
                    [ngTemplateOutlet]="template"
                    [ngTemplateOutletContext]="{ $implicit: row, at: index }"
                  />
                } @else {
                  {{ entry.value(row) }}
                }
              </td>
            }
            @if (columnChoice().length) {
              <td role="cell"></td>
            }
          </tr>
        </ng-template>
      </tbody>
    </nz-table>
  `,
  styles: `
    yo-table {
      display: block;
      position: relative;
      min-height: 0;
      overflow: hidden;
    }
    yo-table .ant-table-tbody > tr > td {
      height: ${ROW}px;
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    yo-table .ant-table-thead > tr > th {
      white-space: nowrap;
      overflow: hidden;
    }
    yo-table .ant-table-thead .yo-pick {
      font-weight: inherit;
    }
    yo-table .ant-table-thead [aria-sort] .yo-pick {
      font-weight: 600;
      color: #1a1a1a;
    }
    yo-table .ant-table-thead .ant-btn {
      height: 24px;
      min-width: 24px;
      padding: 0 4px;
      border-color: transparent;
    }
    yo-table .ant-table-thead > tr > th {
      padding: 0 4px 0 0;
      height: 26px;
      line-height: 24px;
    }
    yo-table .ant-table-thead > tr > th.right {
      text-align: right;
      padding-right: 12px;
    }
    yo-table .ant-table-thead .yo-pick {
      line-height: 24px;
      max-width: 100%;
      overflow: hidden;
      text-overflow: ellipsis;
      vertical-align: top;
    }
    yo-table .ant-table-thead .yo-pick:not(:only-child) {
      max-width: calc(100% - 26px);
    }
    yo-table .ant-table-thead .yo-pick yo-icon {
      vertical-align: middle;
    }
    yo-table .ant-table-thead .ant-btn {
      vertical-align: top;
    }
    yo-table .ant-table-tbody > tr.now > td {
      border-bottom: 1.5px solid #1a1a1a;
      background: #f0f0f0;
    }
    yo-table .ant-table-tbody > tr.now > td:first-child {
      font-weight: 600;
    }
    yo-table .ant-table-tbody > tr {
      cursor: pointer;
    }
    yo-table .ant-table-placeholder > td {
      border: 0;
      cursor: default;
    }
    yo-table .ant-table-tbody .yo-pick {
      display: block;
      width: 100%;
      overflow: hidden;
      text-overflow: ellipsis;
    }
  `,
})
export class ListTable<Row> {
  readonly id = input.required<string>();
  readonly label = input.required<string>();
  readonly columns = input<readonly Column<Row>[]>([]);
  readonly rows = input<readonly Row[]>([]);
  /** Where the row that is in hand stands, in the order shown. */
  readonly now = input<number | null>(null);
  /** Said where there is nothing. */
  readonly empty = input('Nothing here.');
  /** A row was pressed, by where it stands in the order shown. */
  readonly pressed = output<number>();
  protected readonly cells = contentChildren(Cell);
  protected readonly templates = computed(() => new Map(this.cells().map((cell) => [cell.yoCell(), cell.template])));
  protected readonly table = viewChild.required<NzTableComponent<Row>>('table');
  protected readonly height = signal(LEAST);

  readonly #hidden = signal<ReadonlySet<string> | null>(null);
  readonly #off = computed(
    () => this.#hidden() ?? new Set((remembered(`yohaku-columns-${this.id()}`) ?? '').split(' ').filter(Boolean)),
  );
  protected readonly shown = computed(() =>
    this.columns().filter((column) => column.fixed || !this.#off().has(column.id)),
  );
  protected readonly widths = computed(() => [
    ...this.shown().map((entry) => (entry.width ? `${entry.width}px` : '')),
    ...(this.columnChoice().length ? ['32px'] : []),
  ]);
  protected readonly columnChoice = computed(() =>
    this.columns()
      .filter((column) => !column.fixed)
      .map((column) => ({ value: column.id, label: column.label })),
  );
  protected readonly chosenColumns = computed(() => new Set(this.shown().map((entry) => entry.id)));
  protected readonly sort = signal<{ readonly by: string; readonly down: boolean } | null>(null);
  /** Values that are held back, by column. */
  protected readonly held = signal<ReadonlyMap<string, ReadonlySet<string>>>(new Map());

  /** Of each column that can be narrowed its values, worked out once a list: there may be a hundred thousand rows. */
  protected readonly values = computed(
    () =>
      new Map(
        this.columns()
          .filter((column) => column.filter)
          .map((column) => [
            column.id,
            [...new Set(this.rows().map((row) => String(column.value(row) ?? '')))]
              .sort(compareValues)
              .slice(0, 200)
              .map((value) => ({ value, label: value === '' ? '(none)' : value })),
          ]),
      ),
  );
  /** The values that are not held back, by column. */
  protected readonly left = computed(
    () =>
      new Map(
        [...this.values()].map(([id, values]) => [
          id,
          new Set(values.flatMap(({ value }) => (this.held().get(id)?.has(value) ? [] : [value]))),
        ]),
      ),
  );

  /** The rows as they are shown: those that are not held back, in the order asked for. */
  readonly ordered = computed((): readonly Row[] => {
    const held = [...this.held()].flatMap(([id, values]) =>
      this.columns()
        .filter((entry) => entry.id === id)
        .map((entry) => ({ entry, values })),
    );
    const rows =
      held.length === 0
        ? this.rows()
        : this.rows().filter((row) => held.every(({ entry, values }) => !values.has(String(entry.value(row) ?? ''))));
    const sort = this.sort();
    const column = sort && this.columns().find((entry) => entry.id === sort.by);
    if (!sort || !column) return rows;
    return inOrder(rows, column.value, sort.down);
  });

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const size = new ResizeObserver(() =>
      this.height.set(Math.max(LEAST, Math.floor((host.clientHeight - HEAD) / ROW) * ROW)),
    );
    afterNextRender(() => size.observe(host));
    inject(DestroyRef).onDestroy(() => size.disconnect());
    // Head and body are two tables in the library: to who listens they are one.
    afterRenderEffect({
      write: () => {
        this.ordered();
        this.shown();
        const inner = host.querySelector('.ant-table-container');
        inner?.setAttribute('role', 'table');
        inner?.setAttribute('aria-label', this.label());
        inner?.setAttribute('aria-rowcount', String(this.ordered().length + 1));
        for (const table of host.querySelectorAll('table')) table.setAttribute('role', 'presentation');
      },
    });
    // The selected row stays in sight.
    effect(() => {
      const now = this.now();
      const port = this.table().cdkVirtualScrollViewport;
      if (now === null || !port) return;
      const top = port.measureScrollOffset();
      if (now * ROW < top) port.scrollToIndex(now);
      else if ((now + 1) * ROW > top + this.height()) port.scrollToOffset((now + 1) * ROW - this.height());
    });
    // Another list has other values; the same one keeps its order and its filters, whatever is edited in it.
    effect(() => {
      this.id();
      this.label();
      this.held.set(new Map());
      this.sort.set(null);
    });
  }

  /** Shows every row again, whatever its values. */
  showAll(): void {
    this.held.set(new Map());
  }

  protected readonly rowHeight = ROW;
  protected same = (at: number): number => at;
  protected sortBy(by: string): void {
    const sort = this.sort();
    // Up, down, as it came.
    this.sort.set(sort?.by !== by ? { by, down: false } : sort.down ? null : { by, down: true });
  }
  protected turn(column: Column<Row>, value: string): void {
    this.held.update((held) => {
      const next = new Set(held.get(column.id));
      if (!next.delete(value)) next.add(value);
      const map = new Map(held);
      if (next.size > 0) map.set(column.id, next);
      else map.delete(column.id);
      return map;
    });
  }
  protected turnColumn(id: string): void {
    const next = new Set(this.#off());
    if (!next.delete(id)) next.add(id);
    this.#hidden.set(next);
    remember(`yohaku-columns-${this.id()}`, [...next].join(' '));
  }
}
