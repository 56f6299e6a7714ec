import { defineConfig } from '@playwright/test';

// Other tests run beside the attacks: how fast these are answered is measured by ./den attack.
process.env.DEN_ATTACK_PATIENCE = '8';

/** Browser tests run two files at a time against one application with a database of its own (e2e/start.ts). */
export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/start.ts',
  workers: 2,
  timeout: 240_000,
  expect: { timeout: 30_000 },
  outputDir: '.den/test/browser-results',
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['list'], ['json']] : [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 90_000,
    timezoneId: 'Europe/London',
    locale: 'en-GB',
    // A colour in the middle of a transition is nobody's contrast; the pages honour the setting.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      // Without a locale Chromium cannot name a file with other letters than those of English.
      env: { ...process.env, LC_ALL: 'C.UTF-8' },
      args: ['--no-sandbox', '--disable-background-networking', '--disable-quic'],
    },
  },
});
