import { CONTRAST, composite, contrastRatio, cutDownText, parseColor } from '@yohaku/core';
import { print, readArgs, UseError, type Verb } from './host.ts';
import { VERBS } from '../../../tools/verbs.mjs';

const WHITE = { r: 255, g: 255, b: 255, alpha: 1 };

export const contrast: Verb = {
  async run(args) {
    const { values, positionals } = readArgs(args, VERBS.contrast.options);
    if (positionals.length !== 2) throw new UseError('contrast takes two colours: ./yohaku contrast "#b83a1e" white');
    const [front, back] = positionals.map((text) => {
      const color = parseColor(text);
      if (!color)
        throw new UseError(
          `“${text}” is not a CSS colour. Try #b83a1e, rgb(184 58 30), oklch(53% 0.167 34) or a name.`,
        );
      return color.rgb;
    });
    const ground = composite(back!, WHITE);
    const ratio = contrastRatio(composite(front!, ground), ground);
    const result = {
      ratio,
      aa: ratio >= CONTRAST.text,
      aaLarge: ratio >= CONTRAST.largeText,
      aaa: ratio >= CONTRAST.enhanced,
      aaaLarge: ratio >= CONTRAST.enhancedLarge,
    };
    const word = (passes: boolean) => (passes ? 'passes' : 'fails');
    print(
      values.json,
      result,
      () =>
        `${cutDownText(ratio)} to 1; text (4.5) ${word(result.aa)}, large text (3) ${word(result.aaLarge)}, AAA text (7) ${word(result.aaa)}, AAA large text (4.5) ${word(result.aaaLarge)}`,
    );
    return result.aa ? 0 : 1;
  },
};
