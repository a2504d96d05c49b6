import { defineConfig, devices } from '@playwright/test'
import { ownSite } from './e2e/setup/site'
import { CHROMIUM } from './tools/debian'

/** Debian's Chromium without a window. Motion, traces and a second process for drawing cost a third of the run on two cores; `--trace on` brings
 *  the traces back where one is wanted. */
const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--in-process-gpu',
  '--disable-threaded-animation',
]

/** The real interface, started as a person starts it (`./gale start`), each worker with a database of its own. */
export default defineConfig({
  testDir: 'e2e',
  fullyParallel: false,
  workers: 2,
  retries: 0,
  // A machine that does something else beside must not fail a test: what is waited for comes, or is a fault.
  timeout: 120_000,
  expect: { timeout: 30_000 },
  reporter: [['list']],
  globalSetup: './e2e/setup/startGale.ts',
  use: {
    ...devices['Desktop Chrome'],
    baseURL: ownSite()?.url,
    viewport: { width: 1280, height: 800 },
    // Whoever signs up starts with the units of their browser.
    locale: 'en-GB',
    launchOptions: { executablePath: CHROMIUM, args: CHROMIUM_FLAGS },
    trace: 'off',
    contextOptions: { reducedMotion: 'reduce' },
    // Each would fetch the whole program for itself; the tests that go without signal ask for it.
    serviceWorkers: 'block',
  },
})
