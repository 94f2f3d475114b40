import { cssColor, parseColor } from '../color/index.ts';
import { literalCss } from './literal.ts';

describe('a value typed for one place', () => {
  it('is read as CSS reads it, and written anew', () => {
    expect(literalCss('font-size', ' 1.50REM ')).toBe('1.5rem');
    expect(literalCss('font-size', 'clamp( 1rem , 0.5rem + 2vw , 3rem )')).toBe('clamp(1rem, 0.5rem + 2vw, 3rem)');
    expect(literalCss('padding-block', '8px\t12px')).toBe('8px 12px');
    expect(literalCss('border-radius', '4px 0 4px 0')).toBe('4px 0 4px 0');
    expect(literalCss('font-family', "'Brook Grotesk', Funnel Display ,serif")).toBe(
      'Brook Grotesk, Funnel Display, serif',
    );
    expect(literalCss('font-family', '"3 Rivers", serif')).toBe('"3 Rivers", serif');
    expect(literalCss('font-weight', '1e2')).toBe('100');
    expect(literalCss('line-height', '1.45')).toBe('1.45');
    expect(literalCss('color', 'RED')).toBe(cssColor(parseColor('red')!.rgb));
  });
  it('is refused when it is none, or could take what follows it in a sheet', () => {
    expect(
      (
        [
          '12',
          '-1px',
          '1e9px',
          '1px 2px',
          'calc(1px + 2px)',
          '12px;',
          'clamp(1rem, 2vw, 3rem)',
          'clamp(1rem, 1rem - 2vw, 3rem)',
          '',
        ] as const
      ).map((name) => literalCss('font-size', name)),
    ).toEqual(Array<undefined>(9).fill(undefined));
    expect(
      ['url(x)', 'A, "B;}', 'A) B', ', ,', 'A'.repeat(61), Array(13).fill('A').join()].map((name) =>
        literalCss('font-family', name),
      ),
    ).toEqual(Array<undefined>(6).fill(undefined));
    expect(['rgb(1 2 3', '#12', 'red; color: blue', 'var(--x)'].map((name) => literalCss('color', name))).toEqual(
      Array<undefined>(4).fill(undefined),
    );
    // A quote that is never closed is closed here, not by what stands behind it in the sheet.
    expect(literalCss('font-family', '"3 Brooks')).toBe('"3 Brooks"');
  });
});
