import { Component, signal } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { until } from '../testing/until.ts';
import { Choice, NumberField, TextField, VerdictRule } from './index.ts';

@Component({
  imports: [NumberField, TextField, VerdictRule],
  template: `
    <yo-number
      label="Corner"
      range="corner"
      [value]="value()"
      [digits]="1"
      (held)="held.push($event)"
      (done)="done.push($event); value.set($event)"
    />
    <yo-text label="Name" [value]="name()" [check]="check" (done)="name.set($event)" />
    <yo-text label="Link to" value="Page 7" [offers]="pages" />
    <yo-verdict [found]="4.499" [needed]="4.5" /><yo-verdict [found]="7" [needed]="4.5" />
  `,
})
class Host {
  readonly value = signal(4);
  readonly name = signal('Funnel');
  readonly pages = Array.from({ length: 2000 }, (_, i) => `Page ${i}`);
  readonly held: number[] = [];
  readonly done: number[] = [];
  readonly check = (text: string): string => (text === '' ? 'A swatch needs a name.' : '');
}

describe('fields', () => {
  let fixture: ComponentFixture<Host>;
  const inputs = () => [...(fixture.nativeElement as HTMLElement).querySelectorAll('input')];
  const alerts = () =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('[role=alert]')].map((entry) => entry.textContent);
  const type = async (input: HTMLInputElement, text: string, key = 'Enter') => {
    input.value = text;
    input.dispatchEvent(new Event('input'));
    input.dispatchEvent(new KeyboardEvent('keydown', { key }));
    await fixture.whenStable();
  };
  beforeEach(async () => {
    fixture = TestBed.createComponent(Host);
    await fixture.whenStable();
  });

  it('take a typed figure, with its unit or a comma', async () => {
    const [corner] = inputs();
    await type(corner!, '12px');
    await type(corner!, '7,5');
    expect(fixture.componentInstance.done).toEqual([12, 7.5]);
    expect(corner!.value).toBe('7.5');
  });

  it('show the last good value after Escape, also when the text was typed within the same turn', async () => {
    const [corner, name] = inputs();
    await type(name!, 'Typed by mistake', 'Escape');
    await type(corner!, '17', 'Escape');
    await until(() => name!.value === 'Funnel' && corner!.value === '4');
    expect([name!.value, corner!.value]).toEqual(['Funnel', '4']);
    expect(fixture.componentInstance.name()).toBe('Funnel');
  });

  it('keep what was typed and the last good value when it cannot be taken', async () => {
    const [corner] = inputs();
    for (const nonsense of ['round', '-3', '101', '1e999', '']) {
      await type(corner!, nonsense);
      expect(fixture.componentInstance.done).withContext(nonsense).toEqual([]);
      expect(corner!.value).withContext(nonsense).toBe(nonsense);
      expect(alerts()[0]).withContext(nonsense).toContain('kept');
      expect(corner!.getAttribute('aria-invalid')).toBe('true');
    }
    corner!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    await fixture.whenStable();
    expect([corner!.value, alerts().length]).toEqual(['4', 0] as never);
  });

  it('keep what is being typed when they come to be bound to something else meanwhile, and take it for that', async () => {
    document.body.append(fixture.nativeElement as HTMLElement);
    const [corner, name] = inputs();
    const { componentInstance: host } = fixture;
    for (const [input, text] of [
      [corner!, '9'],
      [name!, 'Lamp'],
    ] as const) {
      input.focus();
      input.value = text;
      input.dispatchEvent(new Event('input'));
      host.value.set(31);
      host.name.set('Another page');
      await fixture.whenStable();
      expect(input.value).toBe(text);
      input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      await fixture.whenStable();
      input.blur();
    }
    expect([host.done.at(-1), host.name()]).toEqual([9, 'Lamp']);
    // Left alone, they show the new value, also after a refused text.
    await type(name!, '');
    host.name.set('Third');
    await fixture.whenStable();
    expect([name!.value, alerts()]).toEqual(['Third', []] as never);
  });

  it('offer what has in it what is typed, a few of thousands, and only while somebody types there', async () => {
    document.body.append(fixture.nativeElement as HTMLElement);
    const [, , leads] = inputs();
    const offered = () =>
      [...(fixture.nativeElement as HTMLElement).querySelectorAll('option')].map((entry) => entry.value);
    expect(offered()).toEqual([]);
    leads!.focus();
    await fixture.whenStable();
    expect([offered().length, offered()[0], offered()[1]]).toEqual([40, 'Page 7', 'Page 70'] as never);
    leads!.value = 'page 1999';
    leads!.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(offered()).toEqual(['Page 1999']);
    leads!.blur();
    await fixture.whenStable();
    expect(offered()).toEqual([]);
  });

  it('count every press of a key, also those that come before the desk has answered', async () => {
    const [corner] = inputs();
    for (let i = 0; i < 3; i++) corner!.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    expect(fixture.componentInstance.done).toEqual([5, 6, 7]);
    await fixture.whenStable();
    corner!.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown' }));
    expect(fixture.componentInstance.done.at(-1)).toBe(6);
  });

  it('nudge by one step, by ten with Shift, and stop at the end of the range', async () => {
    const [corner] = inputs();
    for (const event of [{ key: 'ArrowUp' }, { key: 'ArrowUp', shiftKey: true }, { key: 'ArrowDown' }]) {
      corner!.dispatchEvent(new KeyboardEvent('keydown', event));
      await fixture.whenStable();
    }
    expect(fixture.componentInstance.done).toEqual([5, 15, 14]);
    fixture.componentInstance.value.set(100);
    await fixture.whenStable();
    corner!.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    expect(fixture.componentInstance.done.at(-1)).toBe(100);
  });

  it('are pulled by their name: held while it moves, done once', async () => {
    const label = (fixture.nativeElement as HTMLElement).querySelector('label')!;
    const at = (type: string, clientX: number) =>
      (type === 'mousedown' ? label : document).dispatchEvent(
        new MouseEvent(type, { clientX, button: 0, bubbles: true, detail: 1, buttons: 1 }),
      );
    at('mousedown', 100);
    at('mousemove', 112);
    at('mousemove', 120);
    at('mouseup', 120);
    await fixture.whenStable();
    expect([fixture.componentInstance.held, fixture.componentInstance.done]).toEqual([[7, 9], [9]]);
  });

  it('check a text before they take it', async () => {
    const name = inputs()[1]!;
    await type(name, '');
    expect([fixture.componentInstance.name(), alerts()[0]]).toEqual(['Funnel', 'A swatch needs a name.']);
    await type(name, 'Chimney');
    expect([fixture.componentInstance.name(), alerts().length]).toEqual(['Chimney', 0] as never);
  });

  it('show a figure cut off downwards, and a verdict rule only where it falls short', () => {
    const verdicts = [...(fixture.nativeElement as HTMLElement).querySelectorAll('yo-verdict')];
    expect(verdicts.map((verdict) => verdict.textContent!.trim())).toEqual(['4.49', '7.00']);
    expect(verdicts.map((verdict) => verdict.querySelectorAll('svg').length)).toEqual([1, 0]);
  });
});

@Component({
  imports: [Choice],
  template: `<yo-choice
    label="Derived from"
    [value]="value()"
    [options]="options"
    (chosen)="asked.push($event); take($event)"
  />`,
})
class ChoiceHost {
  readonly value = signal('');
  readonly asked: string[] = [];
  readonly options = [
    { value: '', label: 'nothing' },
    { value: 'deep', label: 'Deep' },
    { value: 'loop', label: 'Loop' },
  ];
  take(value: string): void {
    if (value !== 'loop') this.value.set(value);
  }
}

describe('a choice', () => {
  let fixture: ComponentFixture<ChoiceHost>;
  const shown = () =>
    (fixture.nativeElement as HTMLElement).querySelector('.ant-select-selection-item')?.textContent?.trim();
  const offered = () =>
    [...document.querySelectorAll('.ant-select-item-option')].map((entry) => entry.textContent!.trim());
  const choose = async (text: string) => {
    const input = (fixture.nativeElement as HTMLElement).querySelector('input')!;
    const key = (name: string, code: number) =>
      input.dispatchEvent(new KeyboardEvent('keydown', { key: name, keyCode: code, bubbles: true }));
    const { asked } = fixture.componentInstance;
    const before = asked.length;
    input.focus();
    key('Enter', 13);
    await until(() => offered().length > 1);
    input.value = text;
    input.dispatchEvent(new Event('input'));
    await until(() => offered().length === 1 && document.querySelector('.ant-select-item-option-active') !== null);
    key('Enter', 13);
    await until(() => asked.length > before && offered().length === 0);
    await fixture.whenStable();
  };
  beforeEach(async () => {
    fixture = TestBed.createComponent(ChoiceHost);
    await fixture.whenStable();
  });

  it('is found by typing and taken with Enter, the empty one too', async () => {
    await choose('dee');
    await choose('noth');
    expect(fixture.componentInstance.asked).toEqual(['deep', '']);
    expect(shown()).toBe('nothing');
  });
  it('shows what stands when the choice was refused', async () => {
    await choose('loo');
    expect(fixture.componentInstance.asked).toEqual(['loop']);
    expect(shown()).toBe('nothing');
  });
});
