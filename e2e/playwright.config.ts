import { defineConfig, devices } from '@playwright/test';
import { chromiumLaunch } from './chromium';

const launchOptions = chromiumLaunch;
const phone = { ...devices['Pixel 7'], viewport: { width: 390, height: 844 }, launchOptions };
const desk = { viewport: { width: 1280, height: 800 }, launchOptions };

/** Journeys through the real app, served by the real server: `npm test` builds and starts both. */
export default defineConfig({
  testDir: 'journeys',
  outputDir: '../.calvet/test-results',
  fullyParallel: false,
  workers: 2,
  // A busy machine makes no journey red; one that hangs ends all the same.
  timeout: 240_000,
  expect: { timeout: 45_000 },
  forbidOnly: true,
  retries: 0,
  use: { screenshot: 'only-on-failure', locale: 'en-GB', timezoneId: 'Pacific/Auckland' },
  projects: [
    { name: 'phone', use: phone, testIgnore: '**/*.desk.spec.ts' },
    { name: 'desk', use: desk, testIgnore: '**/*.phone.spec.ts' },
  ],
});
