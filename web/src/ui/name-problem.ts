/** Checks the name of something: what is wrong with it, in words; empty when nothing is. */
export function nameProblem(what: string): (text: string) => string {
  return (text) => (text === '' ? `${what} needs a name.` : text.length > 80 ? 'At most 80 characters.' : '');
}
