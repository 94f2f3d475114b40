import { chromium, type Browser } from '@playwright/test';

/** Flags that keep Debian's Chromium headless, quiet and off the network. */
export const CHROMIUM_ARGS = [
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1',
  '--force-color-profile=srgb',
  '--hide-scrollbars',
];

export function launchOptions() {
  return {
    executablePath: process.env['CHROME_BIN'] ?? '/usr/bin/chromium',
    chromiumSandbox: false,
    args: CHROMIUM_ARGS,
  };
}

export function launch(): Promise<Browser> {
  return chromium.launch(launchOptions());
}
