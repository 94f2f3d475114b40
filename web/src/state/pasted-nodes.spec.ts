import { pasteProblem } from './pasted-nodes.ts';

describe('what is pasted', () => {
  it('is taken up to four million characters at once; more is refused with what to do', () => {
    expect(pasteProblem('x'.repeat(4_000_000))).toBe('');
    expect(pasteProblem('x'.repeat(5_200_000))).toBe(
      'That is 5 million characters; four million can be pasted at once. Nothing was pasted: paste it in parts.',
    );
  });
});
