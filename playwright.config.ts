import { existsSync } from 'node:fs'
import { defineConfig } from '@playwright/test'

/** Debian's headless shell where it is there, since it is quicker; its full browser otherwise. */
const SHELL = '/usr/bin/chromium-headless-shell'
const executablePath = process.env['CHROMIUM'] ?? (existsSync(SHELL) ? SHELL : '/usr/bin/chromium')
const PORT = 4199

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  fullyParallel: true,
  workers: 2,
  retries: 0,
  // They end what hangs. How fast it is, the bench measures: the same test has taken five times as long on a machine that others share.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  reporter: [['list'], ['./tests/support/browser-closing-line.ts']],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    deviceScaleFactor: 1,
    locale: 'en-GB',
    timezoneId: 'UTC',
    reducedMotion: 'reduce',
    // Only who tests it wants what is kept from one visit to the next.
    serviceWorkers: 'block',
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: {
      executablePath,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: 'node dist/node/server.js',
    url: `http://127.0.0.1:${PORT}/healthz`,
    env: { PORT: String(PORT), JUMP_RAIL_STORE: 'test-results/bundles' },
    reuseExistingServer: false,
  },
})
