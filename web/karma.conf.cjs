// Chromium from Debian, headless, kept off the network.
process.env.CHROME_BIN ??= '/usr/bin/chromium';

module.exports = (config) =>
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    browsers: ['Quiet'],
    customLaunchers: {
      Quiet: {
        base: 'ChromeHeadless',
        flags: [
          '--no-sandbox',
          '--disable-gpu',
          '--disable-quic',
          '--no-first-run',
          '--disable-background-networking',
          '--disable-component-update',
          '--disable-sync',
          '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1',
          '--force-color-profile=srgb',
        ],
      },
    },
    hostname: '127.0.0.1',
    listenAddress: '127.0.0.1',
    reporters: ['progress'],
    client: { jasmine: { random: true, timeoutInterval: 120000 } },
    captureTimeout: 240000,
    browserNoActivityTimeout: 240000,
    browserDisconnectTimeout: 60000,
    restartOnFileChange: false,
  });
