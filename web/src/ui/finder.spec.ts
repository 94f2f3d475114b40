import { Component, computed, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Finder } from './index.ts';

const ROWS = ['Ferry', 'Mill', 'Observatory'].map((label) => ({ id: label, kind: 'page', label, reach: '' }));

@Component({
  imports: [Finder],
  template: `
    <yo-finder label="A page" [results]="found" (sought)="typed.set($event)" (chosen)="chosen.push($event)" />
  `,
})
class Host {
  readonly typed = signal('');
  readonly found = computed(() => ROWS.filter(({ label }) => label.toLowerCase().includes(this.typed())));
  readonly chosen: string[] = [];
}

describe('the finder', () => {
  it('takes the result of the text typed last, also when Enter follows before the list is drawn anew', async () => {
    const fixture = TestBed.createComponent(Host);
    await fixture.whenStable();
    const field = (fixture.nativeElement as HTMLElement).querySelector('input')!;
    field.value = 'obs';
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await fixture.whenStable();
    expect(fixture.componentInstance.chosen).toEqual(['Observatory']);
  });
});
