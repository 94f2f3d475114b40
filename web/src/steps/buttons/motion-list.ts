import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { EASINGS, MOTION_USES, addMotion, readEasing, removeMotion, type MotionUse } from '@yohaku/core';
import { Editor, MotionShown, NAME_ONLY, Reaching, freshId, type Scope } from '../../state/index.ts';
import { ACTS, Choice, NumberField, TextField, nameProblem } from '../../ui/index.ts';

/** The brand's ways to move, and what takes which of them between its states; shown on the wall on request. */
@Component({
  selector: 'yo-motion-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, NumberField, TextField, Reaching],
  template: `
    <p class="bar">
      <span class="head" title="Off for visitors who prefer reduced motion">Motion: duration and easing</span
      ><button yo-act slight icon="plus" aria-label="New motion" (click)="add()">New</button>
      @if (rows().length) {
        <button yo-act slight icon="play" [yoReaching]="wallOnly" (click)="shown.play()">
          {{ shown.playing() ? 'Playing…' : 'Play on the pages' }}
        </button>
      }
    </p>
    @for (entry of rows(); track entry.id) {
      <div class="row">
        <yo-text
          label="Name of the motion"
          [hideLabel]="true"
          [yoReaching]="nameOnly"
          [value]="entry.label"
          width="72px"
          [check]="checkName"
          (done)="set(entry.id, 'label', $event)"
        />
        <yo-number
          [label]="entry.label + ' duration, ms'"
          [hideLabel]="true"
          [yoReaching]="'motion.' + entry.path + '.duration'"
          [value]="entry.duration"
          range="duration"
          [digits]="0"
          [width]="40"
          (held)="set(entry.id, 'duration', $event, 'preview')"
          (done)="set(entry.id, 'duration', $event)"
        />
        <yo-text
          [label]="entry.label + ' easing'"
          [hideLabel]="true"
          [yoReaching]="'motion.' + entry.path + '.easing'"
          [value]="entry.easing"
          width="104px"
          [mono]="true"
          [check]="checkEasing"
          (done)="ease(entry.id, $event)"
        />
        <yo-delete slight [name]="entry.label" words="" (done)="remove(entry.id)" />
      </div>
    } @empty {
      <p class="note">No motion yet.</p>
    }
    @if (rows().length) {
      <div class="uses">
        @for (use of uses(); track use.use) {
          <yo-choice
            [label]="use.label"
            [yoReaching]="use.scope"
            [value]="use.value"
            [options]="options()"
            [width]="76"
            (chosen)="choose(use.use, $event)"
          />
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
      padding-top: 8px;
    }
    button {
      min-height: 24px;
      min-width: 24px;
    }
    .bar {
      display: flex;
      gap: 12px;
    }
    .bar .head {
      flex: 1;
    }
    .row {
      display: flex;
      gap: 8px;
      align-items: flex-end;
      border-bottom: 1px solid #d9d9d9;
      padding: 1px 0;
    }
    .row > :last-child {
      margin-left: auto;
    }
    .uses {
      display: flex;
      gap: 12px;
      padding-top: 4px;
    }
  `,
})
export class MotionList {
  readonly #editor = inject(Editor);
  protected readonly shown = inject(MotionShown);
  readonly #motion = computed(() => this.#editor.shown()?.brand.motion);
  protected readonly rows = computed(() =>
    (this.#motion()?.order ?? []).map((id) => {
      const { label, path, duration, easing } = this.#motion()!.items[id]!;
      return {
        id,
        label,
        path,
        duration,
        easing: Object.keys(EASINGS).find((name) => EASINGS[name]!.join() === easing.join()) ?? easing.join(', '),
      };
    }),
  );
  protected readonly options = computed(() => [
    { value: '', label: 'at once' },
    ...this.rows().map((row) => ({ value: row.id, label: row.label })),
  ]);
  protected readonly uses = computed(() =>
    MOTION_USES.map((use) => {
      const value = this.#motion()?.uses[use] ?? '';
      const path = this.#motion()?.items[value]?.path;
      return {
        use,
        label: `${use[0]!.toUpperCase()}${use.slice(1)}s take`,
        value,
        scope: (path
          ? `motion.${path}.duration`
          : { words: `${use}s change at once; a motion changes all of them` }) as Scope,
      };
    }),
  );
  protected readonly wallOnly: Scope = { words: 'Plays hover on every visible element; no place changes' };
  protected readonly nameOnly = NAME_ONLY;

  protected set(
    id: string,
    field: 'label' | 'duration',
    value: string | number,
    phase: 'preview' | 'commit' = 'commit',
  ): void {
    this.#editor.set(
      `${this.#motion()!.items[id]!.label} motion, ${field === 'label' ? 'name' : field}`,
      ['brand', 'motion', 'items', id, field],
      value,
      phase,
    );
  }
  protected ease(id: string, text: string): void {
    this.#editor.set(
      `${this.#motion()!.items[id]!.label} motion, easing`,
      ['brand', 'motion', 'items', id, 'easing'],
      readEasing(text),
    );
  }
  protected choose(use: MotionUse, id: string): void {
    this.#editor.set(`Motion of ${use}s`, ['brand', 'motion', 'uses', use], id === '' ? null : id);
  }
  protected add(): void {
    this.#editor.commit((site) => addMotion(site, freshId('motion')));
  }
  protected remove(id: string): void {
    this.#editor.commit((site) => removeMotion(site, id));
  }
  protected checkEasing = (text: string): string =>
    readEasing(text)
      ? ''
      : `“${text.slice(0, 24)}” is not an easing. Use four numbers, the first and third from 0 to 1, or ${Object.keys(EASINGS).join(', ')}. The old value is kept.`;
  protected readonly checkName = nameProblem('A motion');
}
