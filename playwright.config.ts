import { defineConfig, devices } from '@playwright/test'

const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/** The real interface, started as a person starts it (`./gale start`), each worker with a database of its own. */
export default defineConfig({
  testDir: 'e2e',
  fullyParallel: false,
  workers: 1,
  retries: 0,
  timeout: 60_000,
  reporter: [['list']],
  globalSetup: './e2e/setup/startGale.ts',
  use: {
    ...devices['Desktop Chrome'],
    // Set by the global setup; the workers read this file after it.
    baseURL: process.env.GALE_E2E_URL,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: '/usr/bin/chromium', args: CHROMIUM_FLAGS },
    trace: 'retain-on-failure',
  },
})
