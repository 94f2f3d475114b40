import { ChangeDetectionStrategy, Component, ViewEncapsulation } from '@angular/core';
import { NzTableModule } from 'ng-zorro-antd/table';

/**
 * A few rows by a few columns, set by hand: fields of one kind by width, by use, by pair. What is longer is a
 * `yo-list-table`.
 */
@Component({
  selector: 'yo-grid',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [NzTableModule],
  template: `<nz-table nzTemplateMode><ng-content /></nz-table>`,
  styles: `
    yo-grid {
      display: block;
    }
    yo-grid table {
      width: 100%;
      border-collapse: collapse;
    }
    yo-grid th {
      text-align: start;
      font-weight: 400;
    }
    yo-grid thead th {
      color: #5a5a5a;
      font-size: 12px;
      border-bottom: 1.5px solid #1a1a1a;
    }
    yo-grid th,
    yo-grid td {
      padding: 1px 8px 1px 0;
      vertical-align: middle;
    }
    yo-grid tbody th,
    yo-grid tbody td {
      border-bottom: 1px solid #d9d9d9;
    }
  `,
})
export class Grid {}
