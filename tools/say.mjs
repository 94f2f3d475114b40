/** One line of progress on standard error. */
export function say(line) {
  process.stderr.write(`yohaku: ${line}\n`);
}

/** Bad use or bad input: ends with exit code 2 and one clear line. */
export class UseError extends Error {
  constructor(message) {
    super(message);
    this.name = 'UseError';
  }
}
