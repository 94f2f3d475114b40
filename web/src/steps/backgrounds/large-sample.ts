import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Store } from '@ngrx/store';
import { ownWords } from '@yohaku/core';
import { siteFeature } from '../../state/index.ts';
import type { GroundLine, SampleType } from './background-lines.ts';

/** Matches roles that are not text: they have no sample of words. */
const SHAPES = /^(?:background|field-edge|focus|rule|stripe|icon|button-)/;
/** Most characters of a sample: two lines in a wide window. */
const MOST = 160;

/** Shows the selected text role on its background, in enough words of the site to judge reading. */
@Component({
  selector: 'yo-large-sample',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (shown(); as sample) {
      <p
        class="on"
        aria-hidden="true"
        [style.background]="sample.behind"
        [style.color]="sample.css"
        [style.font-family]="sample.family"
        [style.font-size.px]="sample.size"
        [style.font-weight]="sample.weight"
        [style.text-decoration]="sample.underlined ? 'underline' : null"
        [style.text-transform]="sample.textCase"
      >
        {{ sample.words }}
      </p>
    }
  `,
  styles: `
    .on {
      margin: 0;
      padding: 4px 10px;
      height: 48px;
      line-height: 20px;
      overflow: hidden;
      display: -webkit-box;
      -webkit-box-orient: vertical;
      -webkit-line-clamp: 2;
    }
  `,
})
export class LargeSample {
  readonly line = input.required<GroundLine>();
  readonly role = input.required<string>();
  readonly families = input.required<SampleType>();
  readonly #site = inject(Store).selectSignal(siteFeature.selectShown);

  protected readonly shown = computed(() => {
    const [site, role, line] = [this.#site(), this.role(), this.line()];
    const sample = [...line.samples, ...line.more].find((entry) => entry.role === role);
    if (!site || !sample || SHAPES.test(role)) return undefined;
    const { title, sentence } = ownWords(site);
    const heading = role === 'heading';
    const eyebrow = role === 'eyebrow';
    return {
      css: sample.css,
      behind: line.painted,
      family: heading ? this.families().heading : this.families().body,
      size: heading ? 19 : eyebrow ? 13 : 15,
      weight: heading || eyebrow ? 700 : 400,
      underlined: role.startsWith('link'),
      textCase: eyebrow ? this.families().eyebrowCase : undefined,
      words: firstWords(heading || eyebrow ? title : sentence),
    };
  });
}

function firstWords(text: string): string {
  return text.length <= MOST ? text : `${text.slice(0, text.lastIndexOf(' ', MOST))} …`;
}
