import { nameProblem } from '../ui/index.ts';

const plain = nameProblem('A site');

/** Returns the problem of a site's name in words; empty if there is none. @param others names of the other sites */
export function siteNameProblem(text: string, others: readonly string[]): string {
  const name = text.trim();
  return (
    plain(name) ||
    (others.some((other) => other.toLowerCase() === name.toLowerCase())
      ? `A site is already called ${name}. Choose another name.`
      : '')
  );
}
