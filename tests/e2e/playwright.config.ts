import { existsSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { defineConfig } from '@playwright/test'
import { demoUrl, readyPort, serversOf, workers } from './addresses'

// Workers load this file again and inherit the environment: make the data folders only once.
process.env.E2E_DATA ??= mkdtempSync(join(tmpdir(), 'mauvaise-e2e-'))
const artifacts = process.env.E2E_ARTIFACTS ?? '../../artifacts'
const server = (dll: string, url: string, folder: string, more: string[], health: string) => ({
  command: ['dotnet', dll, '--urls', url, ...more],
  cwd: resolve(artifacts, folder),
  url: url + health,
})
const each = Array.from({ length: workers }, (_, i) => ({ i, ...serversOf(i) }))
const servers = [
  // A garden that is made asks for its weather at once.
  each.map(({ weatherUrl }) =>
    server('Mauvaise.StandIns.dll', weatherUrl, 'standins', ['--Seed', '52675'], '/health'),
  ),
  each.flatMap(({ i, demoUrl, emptyUrl, weatherUrl }) => [
    server(
      'Mauvaise.Web.dll',
      demoUrl,
      'app',
      [
        ...['--Demo', 'true', '--HistoryDays', '160', '--Data', `${process.env.E2E_DATA}/demo-${i}`],
        ...['--Weather', `${weatherUrl}/v1/hours`],
      ],
      '/api/state',
    ),
    server(
      'Mauvaise.Web.dll',
      emptyUrl,
      'app',
      ['--Data', `${process.env.E2E_DATA}/empty-${i}`],
      '/api/state',
    ),
  ]),
]

/** As Debian ships it: without a window where that is there, which takes half the processor. */
const chromium = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((path) => existsSync(path))

/**
 * The browser draws its own address bar, as two pages beside each page: more than half of a short page's time. The others are those of
 * Playwright's own list that matter here; this one takes its place.
 */
const featuresOff = [
  ...['WebUIOmniboxPopup', 'WebUIOmniboxAimPopup', 'WebUIOmniboxFullPopup', 'AimEnabled'],
  ...['HttpsUpgrades', 'HttpsFirstBalancedModeAutoEnable', 'PaintHolding', 'OptimizationHints'],
  ...['MediaRouter', 'DestroyProfileOnBrowserClose', 'AvoidUnnecessaryBeforeUnloadCheckSync'],
]

export default defineConfig({
  testDir: '.',
  outputDir: './test-results',
  // Two workers share two cores, which may be slow: these limits end what hangs, and judge nothing.
  timeout: 600_000,
  expect: { timeout: 90_000 },
  workers,
  forbidOnly: Boolean(process.env.CI),
  reporter: [['list']],
  use: {
    baseURL: demoUrl,
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: 'reduce' },
    locale: 'en-GB',
    serviceWorkers: 'block',
    // Not the garden's zone: what is shown must be the garden's time all the same.
    timezoneId: 'America/New_York',
    // What a failing test did is drawn when asked for: it takes a third of the time of all tests.
    trace: process.env.E2E_TRACE ? 'retain-on-failure' : 'off',
    launchOptions: {
      executablePath: process.env.CHROMIUM_PATH ?? chromium,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        `--disable-features=${featuresOff.join(',')}`,
        // Pages live for seconds: what compiles their code a second time costs more than it gains.
        '--js-flags=--no-maglev --no-turbofan',
      ],
    },
  },
  webServer: {
    command: `node servers.mjs ${readyPort} '${JSON.stringify(servers)}'`,
    url: `http://127.0.0.1:${readyPort}`,
    reuseExistingServer: false,
    timeout: 300_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
  },
})
