process.env.CHROME_BIN ??= '/usr/bin/chromium';

module.exports = (config) => {
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    // A slow machine is no defect: only what hangs may fail by time.
    client: { jasmine: { random: true, seed: 4711, timeoutInterval: 60_000 } },
    browserNoActivityTimeout: 180_000,
    // Where nobody looks on, only what failed is worth a line.
    reporters: [process.stdout.isTTY ? 'progress' : 'dots'],
    browsers: ['HouseChromium'],
    customLaunchers: {
      HouseChromium: {
        base: 'ChromeHeadless',
        flags: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
      },
    },
    singleRun: true,
  });
};
