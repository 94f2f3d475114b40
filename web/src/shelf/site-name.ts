import { nameProblem } from '../ui/index.ts';

const plain = nameProblem('A site');

/** What is wrong with the name of a site, in words; empty when nothing is. @param others what the other sites are called */
export function siteNameProblem(text: string, others: readonly string[]): string {
  const name = text.trim();
  return plain(name) || (others.some((one) => one.toLowerCase() === name.toLowerCase()) ? `A site is already called ${name}. Choose another name.` : '');
}
