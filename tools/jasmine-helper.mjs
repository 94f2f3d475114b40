// Machines are noisy: what is asserted is what happens, not how soon.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 180_000;

/** A spec that takes longer is named at the end, slowest first; ms. */
const SLOW = 8_000;
const slow = [];
jasmine.getEnv().addReporter({
  specDone: ({ fullName, duration }) => {
    if (duration >= SLOW) slow.push([Math.round(duration / 1000), fullName]);
  },
  jasmineDone: () => {
    for (const [seconds, name] of slow.sort((one, other) => other[0] - one[0]))
      console.log(`      ${seconds} s: ${name}`);
  },
});
