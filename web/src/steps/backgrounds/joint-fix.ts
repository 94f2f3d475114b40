import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  output,
  signal,
  untracked,
} from '@angular/core';
import { cutDownText, plural, type JointMove } from '@yohaku/core';
import { Editor, Reaching, type Scope } from '../../state/index.ts';
import { LongWork, type BrandFix } from '../../workers/index.ts';
import { LongWorkLine } from '../long-work-line.ts';
import { ACTS } from '../../ui/index.ts';

/** All failing pairs of the brand fixed together: shown on the wall, taken whole or swatch by swatch. */
@Component({
  selector: 'yo-joint-fix',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, LongWorkLine, Reaching],
  template: `
    <div class="between">
      <h2 class="strong">Fix all</h2>
      <p class="acts">
        @if (fix()?.moves?.length) {
          <button yo-act main [yoReaching]="whole()" (click)="take(fix()!.moves)">
            Apply {{ fix()!.moves.length === 1 ? 'it' : 'all ' + fix()!.moves.length }}
          </button>
        }
        <button yo-act (click)="closed.emit()">Cancel</button>
      </p>
    </div>
    @if (fix(); as fix) {
      @if (fix.moves.length) {
        <p class="note">
          {{ fix.fixed === 1 ? '1 failing pair now passes' : fix.fixed + ' failing pairs now pass' }}. Only lightness
          changes, as little as possible, weighted by use. Previewed above; nothing changes until you apply.
        </p>
        <ul>
          @for (move of fix.moves; track move.label) {
            <li>
              <span class="chips" aria-hidden="true"
                ><i [style.background]="move.from"></i><i [style.background]="move.to"></i
              ></span>
              <span class="name">{{ move.label }}</span><span class="mono">{{ move.from }} to {{ move.to }}</span
              ><span class="mono">ΔE {{ cut(move.deltaE, 3) }}</span
              ><span>{{ plural(move.places, 'place') }}</span>
              <button
                yo-act
                slight
                [attr.aria-label]="'Apply ' + move.label + ' alone'"
                [yoReaching]="scope(move)"
                (click)="take([move])"
              >
                Apply this one
              </button>
              @if (move.swatch) {
                <button yo-act slight [attr.aria-label]="move.label + ' stays'" (click)="stay(move)">Skip</button>
              }
            </li>
          }
        </ul>
      } @else if (!fix.conflicts.length) {
        <p>Every pair passes.</p>
      }
      @for (conflict of fix.conflicts; track $index) {
        <p class="conflict">{{ conflict.words }} {{ plural(conflict.places, 'place') }} stay as they are.</p>
      }
      @if (stays().length) {
        <p class="note">Locked: {{ stayNames() }}. <button yo-act (click)="free()">Unlock all</button></p>
      }
    } @else if (stopped()) {
      <p class="note" role="status">
        Stopped. Nothing was changed. <button yo-act (click)="again()">Compute the fix</button>
      </p>
    } @else {
      <yo-long-work words="Computing" />
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .between {
      display: flex;
      justify-content: space-between;
    }
    li {
      display: grid;
      grid-template-columns: 64px 130px 150px 80px 80px auto auto;
      gap: 12px;
      align-items: center;
      justify-content: start;
      border-bottom: 1px solid #d9d9d9;
      min-height: 28px;
    }
    .chips {
      display: flex;
    }
    .chips i {
      width: 32px;
      height: 20px;
      outline: 1px solid #d9d9d9;
      outline-offset: -1px;
    }
    .conflict {
      padding-top: 4px;
    }
    .acts {
      display: flex;
      gap: 8px;
      align-items: center;
    }
  `,
  host: { role: 'group', 'aria-label': 'Fix all' },
})
export class JointFix {
  readonly #editor = inject(Editor);
  readonly #work = inject(LongWork);
  readonly closed = output();
  /** Swatches that stay although they are not locked. */
  protected readonly stays = signal<readonly string[]>([]);
  protected readonly fix = signal<BrandFix | null>(null);
  protected readonly stayNames = computed(() =>
    this.stays()
      .map((id) => this.#editor.current()?.brand.swatches[id]?.label ?? id)
      .join(', '),
  );

  constructor() {
    // Worked out anew for every state of the site and every swatch that stays.
    effect(() => {
      const site = this.#editor.current();
      const stays = this.stays();
      if (site) untracked(() => void this.#ask(stays));
    });
    inject(DestroyRef).onDestroy(() => {
      this.#work.stop();
      this.#editor.cancel();
    });
  }

  protected readonly stopped = signal(false);
  protected again(): void {
    void this.#ask(this.stays());
  }
  #asked = 0;

  async #ask(stays: readonly string[]): Promise<void> {
    // A proposal for another choice is not left in place.
    const asked = ++this.#asked;
    this.fix.set(null);
    this.stopped.set(false);
    this.#editor.cancel();
    const fix = await this.#work.fix(stays);
    if (asked !== this.#asked) return;
    if (!fix) return this.stopped.set(true);
    this.fix.set(fix);
    this.#editor.preview(() =>
      fix.moves.length > 0 ? { label: 'Fix all', ops: fix.moves.flatMap((move) => move.ops) } : undefined,
    );
  }

  protected take(moves: readonly JointMove[]): void {
    const label = moves.length === 1 ? `Fix ${moves[0]!.label}` : `Fix all, ${plural(moves.length, 'colour')}`;
    this.#editor.commit(() => ({ label, ops: moves.flatMap((move) => move.ops) }));
  }
  protected stay(move: JointMove): void {
    this.stays.update((list) => [...list, move.swatch!]);
  }
  protected free(): void {
    this.stays.set([]);
  }
  protected whole(): Scope {
    return {
      words: `The fix changes ${plural(
        (this.fix()?.moves ?? []).reduce((sum, move) => sum + move.places, 0),
        'place',
      )}`,
    };
  }
  protected scope(move: JointMove): Scope {
    return { words: `${move.label}: used in ${plural(move.places, 'place')}` };
  }
  protected readonly plural = plural;
  protected readonly cut = cutDownText;
}
