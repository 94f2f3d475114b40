import type { State } from '../site/index.ts';
import { type PlaceKind } from '../kinds/index.ts';
import type { BandId } from '../breakpoint/index.ts';
import { type Place } from '../page/index.ts';
import { type Group } from './group.ts';
import { type Painting } from './painting.ts';

/** Of a look: what it is told apart by. */
export type LookOf = Pick<
  Group,
  'kind' | 'states' | 'overPicture' | 'pictured' | 'inline' | 'style' | 'ground' | 'hidden'
>;

/** A group as the index builds it. One object and no more: a large site has thousands. */
export class Built implements Group {
  readonly kind: PlaceKind;
  readonly states: readonly State[];
  readonly overPicture: boolean;
  readonly pictured: boolean;
  readonly inline: boolean;
  readonly style: string | null;
  readonly ground: string;
  readonly hidden: readonly BandId[];
  count = 0;
  #list: Place[] | undefined;
  readonly #index: { listOf(group: Built): Place[] };

  constructor(
    index: { listOf(group: Built): Place[] },
    readonly number: number,
    look: LookOf,
    readonly painting: Painting,
    readonly under: Built | null,
    readonly inherits: Built | null,
  ) {
    this.#index = index;
    ({
      kind: this.kind,
      states: this.states,
      overPicture: this.overPicture,
      pictured: this.pictured,
      inline: this.inline,
      style: this.style,
      ground: this.ground,
      hidden: this.hidden,
    } = look);
  }

  get places(): readonly Place[] {
    return (this.#list ??= this.#index.listOf(this));
  }
}
