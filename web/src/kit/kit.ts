import { ChangeDetectionStrategy, Component, computed, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import {
  ACTS,
  ActsMenu,
  Choice,
  Finder,
  FormText,
  ICONS,
  IconSign,
  KEYS,
  More,
  NumberField,
  SeekField,
  Segments,
  StandingSign,
  TextArea,
  TextField,
  VerdictRule,
  nameProblem,
} from '../ui/index.ts';
import { Cell, ChecksMenu, FilesField, FocusPoint, Grid, ListTable, Slider, type Column } from '../ui/late/index.ts';

interface Row {
  readonly name: string;
  readonly page: string;
  readonly places: number;
}
const PAGES = ['Home', 'Prices', 'About', 'Contact'];

/**
 * Every part of the kit in every state: for those who work on Yohaku, and for the test that compares it with pictures
 * of itself. `?rows=` says how many rows its table has.
 */
@Component({
  selector: 'yo-kit',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ACTS,
    ActsMenu,
    Cell,
    ChecksMenu,
    Choice,
    FilesField,
    Finder,
    FocusPoint,
    FormText,
    Grid,
    IconSign,
    ListTable,
    More,
    NumberField,
    SeekField,
    Segments,
    Slider,
    StandingSign,
    TextArea,
    TextField,
    VerdictRule,
  ],
  templateUrl: './kit.html',
  styleUrl: './kit.less',
})
export class Kit {
  protected readonly keys = KEYS;
  protected readonly icons = ICONS;
  protected readonly told = signal('');
  protected readonly orders = [
    { value: 'edited', label: 'Edited' },
    { value: 'name', label: 'Name' },
  ] as const;
  protected readonly order = signal<'edited' | 'name'>('edited');
  protected readonly columns = signal<ReadonlySet<string>>(new Set(['edited']));
  protected readonly acts = [
    { id: 'rename', label: 'Rename' },
    { id: 'copy', label: 'Copy' },
  ];
  protected readonly swatches = [
    { value: 'funnel', label: 'Funnel', color: '#b83a1e' },
    { value: 'deep', label: 'Deep', color: '#0e3b43' },
  ];
  protected readonly swatch = signal('funnel');
  protected readonly corner = signal(3);
  protected readonly name = signal('Funnel');
  protected readonly check = nameProblem('A swatch');
  protected readonly sought = signal('');
  protected readonly light = signal(0.53);
  /** A picture that needs no file. */
  protected readonly view = `data:image/svg+xml,${encodeURIComponent('<svg xmlns="http://www.w3.org/2000/svg" width="320" height="180"><rect width="320" height="180" fill="#ddd"/><path d="M0 140L90 60l60 50 70-80 100 110v40H0z" fill="#999"/></svg>')}`;
  protected readonly spot = signal({ x: 0.3, y: 0.4 });
  protected readonly text = signal('');
  protected readonly control = new FormControl('', { nonNullable: true });
  protected readonly now = signal(1);
  protected readonly rows = signal<readonly Row[]>(
    Array.from({ length: Number(new URLSearchParams(location.search).get('rows') ?? 40) }, (_, i) => ({
      name: `Row ${i + 1}`,
      page: PAGES[i % 4]!,
      places: (i * 37) % 101,
    })),
  );
  protected readonly tableColumns: readonly Column<Row>[] = [
    { id: 'name', label: 'Name', value: (row) => row.name, fixed: true },
    { id: 'page', label: 'Page', width: 160, value: (row) => row.page, filter: true },
    { id: 'places', label: 'Places', width: 120, value: (row) => row.places, mono: true },
  ];
  protected readonly typed = signal('');
  protected readonly found = computed(() =>
    PAGES.filter((page) => page.toLowerCase().includes(this.typed().trim().toLowerCase())).map((page) => ({
      id: page,
      kind: 'page',
      label: page,
      reach: '12 places',
    })),
  );

  protected turn(value: string): void {
    this.columns.update(
      (columns) =>
        new Set(columns.has(value) ? [...columns].filter((column) => column !== value) : [...columns, value]),
    );
  }
}
