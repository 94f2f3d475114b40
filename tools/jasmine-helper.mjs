// Machines are noisy: what is asserted is what happens, not how soon.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 180_000;
