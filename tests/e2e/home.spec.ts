import { type ChildProcess, execFileSync, spawn } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Browser, type BrowserContext, type Page } from '@playwright/test'
import { homePort } from './addresses'
import { expectAccessible, expectNoSideScroll } from './steps'

/** The app as a household runs it: HTTPS on the home network, everybody signs in. */
const at = `https://localhost:${homePort}`
const app = join(process.env.E2E_ARTIFACTS ?? '../../artifacts', 'app')
let server: ChildProcess
let data: string
let firstKey: string

test.describe.configure({ mode: 'serial' })

test.beforeAll(async () => {
  data = mkdtempSync(join(tmpdir(), 'mauvaise-home-'))
  server = spawn(
    'dotnet',
    `Mauvaise.Web.dll --Demo true --AtHome true --HomePort ${homePort} --HistoryDays 30 --Data ${data}`.split(
      ' ',
    ),
    { cwd: app },
  )
  firstKey = await new Promise<string>((found, lost) => {
    let said = ''
    server.stdout?.on('data', (chunk: Buffer) => {
      said += chunk.toString()
      const key = /join#(\S+)/.exec(said)?.[1]
      if (key) found(key)
    })
    server.on('exit', () => lost(new Error(said)))
  })
  await expect
    .poll(() =>
      fetch(`http://localhost:${homePort + 1}/`).then(
        (r) => r.ok,
        () => false,
      ),
    )
    .toBe(true)
})

test.afterAll(async () => {
  const ended = new Promise((end) => server.once('exit', end))
  server.kill('SIGTERM')
  await ended
})

/** A browser of somebody: nothing is shared with another, and the app's own authority is taken as trusted. */
async function someone(browser: Browser, phone: boolean) {
  const context = await browser.newContext({
    ignoreHTTPSErrors: true,
    baseURL: at,
    viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    hasTouch: phone,
    isMobile: phone,
    serviceWorkers: 'allow',
  })
  there.push(context)
  return context.newPage()
}
const there: BrowserContext[] = []

test.afterEach(async () => {
  for (const context of there.splice(0)) await context.close()
})

async function come(page: Page, address: string) {
  await page.goto(address)
  await page.getByRole('button', { name: 'Join with this device' }).click()
}

/** The keeper's code for somebody's phone, as the drawing holds it. */
async function codeFor(keeper: Page, who: string) {
  await keeper.goto('/garden/household')
  await keeper.getByText('Phones and links').click()
  await keeper.getByRole('combobox', { name: 'Whose it is' }).click()
  await keeper.getByRole('option', { name: who }).click()
  const answer = keeper.waitForResponse((r) => r.url().endsWith('/invite'))
  await keeper.getByRole('button', { name: 'Make a code' }).click()
  await expect(keeper.getByRole('img', { name: /^Code for/ })).toBeVisible()
  const { address } = (await (await answer).json()) as { address: string }
  return address.slice(address.indexOf('/join#'))
}

test('a phone comes in by a code and walks a round with the laptop', async ({ browser }) => {
  test.slow()
  const keeper = await someone(browser, false)
  await keeper.goto('/')
  await expect(keeper.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await come(keeper, `/join#${firstKey}`)
  await keeper.getByLabel('Pass phrase').fill('radish under the pear tree')
  await expectAccessible(keeper)
  await keeper.getByRole('button', { name: 'Keep it, and to the garden' }).click()
  await expect(keeper.getByRole('navigation', { name: 'Jobs' })).toBeVisible()
  const address = await codeFor(keeper, 'Bram, gardens too')
  await expectAccessible(keeper)

  const phone = await someone(browser, true)
  await come(phone, address)
  await expect(phone.getByText('Hello Bram.')).toBeVisible()
  await expectNoSideScroll(phone)
  await phone.getByRole('button', { name: 'To the garden' }).tap()
  await expect(phone.getByRole('heading', { name: 'Tansy Lock' })).toBeVisible()

  // Bram begins a walk and counts; on the laptop it is there without a reload.
  await keeper.goto('/walk')
  await expect(keeper.getByRole('button', { name: /^Start the walk/ })).toBeVisible()
  await phone.goto('/walk')
  await phone.getByRole('button', { name: /^Start the walk/ }).tap()
  for (let k = 0; k < 4; k++) await phone.getByRole('button', { name: 'Five clean' }).tap()
  await phone.getByRole('button', { name: 'Save: all clean' }).tap()
  await expect(phone.getByRole('button', { name: /^Clean 0/ })).toBeVisible()
  await expect(keeper.getByRole('button', { name: /^Start the walk/ })).toHaveCount(0)

  // The same code lets nobody else in.
  const stranger = await someone(browser, true)
  await come(stranger, address)
  await expect(stranger.getByText('This code was used already, or its time is over.')).toBeVisible()

  // Signed out at the laptop, the phone is out, and is told so.
  await keeper.goto('/garden/household')
  await keeper.getByText('Phones and links').click()
  await keeper.getByRole('button', { name: /^Sign out: Bram/ }).click()
  await expect(keeper.getByRole('button', { name: /^Sign out: Bram/ })).toHaveCount(0)
  await phone.goto('/walk')
  await expect(phone.getByRole('heading', { name: 'Sign in' })).toBeVisible()
})

test('who sits at the machine gets a new code; a passkey lets in until it is taken away, the pass phrase always', async ({
  browser,
}) => {
  // The app takes ten tries a minute from one address; these tests make nine.
  const said = execFileSync('dotnet', ['Mauvaise.Web.dll', 'keeper', '--Data', data], { cwd: app }).toString()
  const page = await someone(browser, false)
  const device = await page.context().newCDPSession(page)
  await device.send('WebAuthn.enable')
  await device.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  })
  await come(page, `/join#${/join#(\S+)/.exec(said)?.[1] ?? ''}`)
  await page.getByRole('button', { name: 'To the garden' }).click()
  await page.goto('/more')
  await page.getByText('Passkeys', { exact: true }).click()
  await expect(page.getByText(/^No passkey yet/)).toBeVisible()
  await page.getByRole('button', { name: 'Add a passkey on this device' }).click()
  await expect(page.getByText(/^Linux computer, since/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: /^Sign out/ }).click()
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click()
  await expect(page.getByRole('navigation', { name: 'Jobs' })).toBeVisible()

  await page.goto('/more')
  await page.getByText('Passkeys', { exact: true }).click()
  await page.getByRole('button', { name: 'Take it away: passkey of Linux computer' }).click()
  await expect(page.getByText(/^No passkey yet/)).toBeVisible()
  await page.getByRole('button', { name: /^Sign out/ }).click()
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click()
  await expect(page.getByText(/^This passkey did not fit/)).toBeVisible()
  await page.getByLabel('Name').fill('Ilse')
  await page.getByLabel('Pass phrase').fill('radish under the pear tree')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('navigation', { name: 'Jobs' })).toBeVisible()
})
