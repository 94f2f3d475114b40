import { Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { ListTable, type Column } from './list-table.ts';

interface Boat {
  readonly name: string;
  readonly metres: number;
}

@Component({
  imports: [ListTable],
  template:
    '<div style="width: 400px; height: 200px; display: grid"><yo-table id="boats" [label]="label()" [columns]="columns()" [rows]="rows()" /></div>',
})
class Host {
  readonly label = signal('Boats');
  readonly rows = signal<readonly Boat[]>([
    { name: 'Tern', metres: 9 },
    { name: 'Auk', metres: 12 },
    { name: 'Eider', metres: 4 },
  ]);
  // Made anew, as a list does whose columns read what is edited.
  readonly columns = signal(columns());
}
function columns(): Column<Boat>[] {
  return [
    { id: 'name', label: 'Name', value: ({ name }) => name, fixed: true },
    { id: 'metres', label: 'Metres', value: ({ metres }) => metres },
  ];
}

describe('a table', () => {
  it('stays in the order that was asked for while its rows are edited, and begins anew with another list', async () => {
    const fixture = TestBed.createComponent(Host);
    const host = fixture.nativeElement as HTMLElement;
    document.body.append(host);
    // Rows in sight come a frame after the list is measured.
    const settled = async () => {
      await fixture.whenStable();
      await new Promise((done) => setTimeout(done, 60));
      await fixture.whenStable();
    };
    const shown = () =>
      [...host.querySelectorAll('[role="row"] td:first-child')].map((cell) => cell.textContent.trim()).filter(Boolean);
    await settled();
    expect(shown()).toEqual(['Tern', 'Auk', 'Eider']);
    [...host.querySelectorAll<HTMLElement>('th button')]
      .find((entry) => entry.textContent.trim() === 'Metres')!
      .click();
    await settled();
    expect(shown()).toEqual(['Eider', 'Tern', 'Auk']);

    const { rows, columns: made, label } = fixture.componentInstance;
    rows.update((all) => all.map((entry) => (entry.name === 'Auk' ? { ...entry, metres: 5 } : entry)));
    made.set(columns());
    await settled();
    expect(shown()).toEqual(['Eider', 'Auk', 'Tern']);

    label.set('Other boats');
    await settled();
    expect(shown()).toEqual(['Tern', 'Auk', 'Eider']);
    fixture.destroy();
  });
});
