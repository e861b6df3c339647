import AxeBuilder from '@axe-core/playwright'
import { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test'

/** Puts the demo back to its beginning. */
export async function startOver(request: APIRequestContext) {
  const answer = await request.post('/api/demo/reset')
  expect(answer.ok()).toBe(true)
}

/** Fails on whatever the browser complains about; call before the first page. */
export function watchForErrors(page: Page): string[] {
  const errors: string[] = []
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()))
  page.on('pageerror', (e) => errors.push(e.message))
  return errors
}

/** Every rule of WCAG 2.2 AA that a machine can check, or the rules that are named. */
export async function expectAccessible(page: Page, rules?: string[]) {
  await page.evaluate(() => document.fonts.ready)
  // No page of its own for the scan: this one would lie behind it, where nothing is drawn and a click waits for ever. There are no frames.
  const scan = new AxeBuilder({ page }).setLegacyMode()
  const { violations } = await (
    rules ? scan.withRules(rules) : scan.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
  ).analyze()
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(' | ')}`)).toEqual([])
}

/** Nothing may stick out to the right of the screen, once drawings have taken its width. */
export async function expectNoSideScroll(page: Page) {
  await expect
    .poll(() => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth))
    .toBeLessThanOrEqual(0)
}

/** Goes to an address as a link inside the app does, without loading it anew. A page that is not there yet would not hear of it. */
export async function goInside(page: Page, address: string) {
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.evaluate((to) => {
    // Another address is another screen, and the one that is left stands until its files are there.
    if (new URL(to, location.href).pathname !== location.pathname)
      document.querySelector('h1')?.setAttribute('data-left', '')
    history.pushState({}, '', to)
    dispatchEvent(new PopStateEvent('popstate', { state: {} }))
  }, address)
  await expect(page.locator('h1[data-left]')).toHaveCount(0)
}

/** The season under this evening, which a phone draws when it is scrolled to: its bands. */
export async function bandsOf(page: Page) {
  await page.getByRole('region', { name: 'Board' }).scrollIntoViewIfNeeded()
  return page.locator('.band[fill="url(#hatch-fall)"]')
}

/** Opens a page with its service worker at work, and waits until all that an evening needs is on the device. */
export async function goReady(page: Page, address: string) {
  await page.goto(address)
  await expect
    .poll(() =>
      page.evaluate(() => Object.keys(JSON.parse(localStorage.getItem('mauvaise-ready') ?? '{}') as object)),
    )
    .toHaveLength(1)
}

/** Moves the focus with Tab alone until it rests on the control. */
export async function tabTo(page: Page, control: Locator) {
  await expect(control).toBeVisible()
  for (let i = 0; i < 120; i++) {
    if (await control.evaluate((el) => el === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error('Tab never reached the control')
}

/** Ids of the demo's plantings by "Place: crop". */
export async function plantings(page: Page): Promise<Record<string, string>> {
  const { gardens } = await (await page.request.get('/api/state')).json()
  const garden = await (await page.request.get(`/api/gardens/${gardens[0].id}`)).json()
  return Object.fromEntries(
    garden.places.flatMap((p: { name: string; plantings: { id: string; crop: string }[] }) =>
      p.plantings.map((x) => [`${p.name}: ${x.crop}`, x.id]),
    ),
  )
}

/**
 * Counts what fingers do from here on, across pages: each press, and each field that is typed into. Call before the first page; the answer tells the
 * count so far.
 */
export async function countTaps(page: Page): Promise<() => number> {
  let taps = 0
  await page.exposeFunction('tapped', () => {
    taps++
  })
  await page.addInitScript(() => {
    const tapped = () => void (window as unknown as { tapped: () => Promise<void> }).tapped()
    let typed: EventTarget | null = null
    // Not on the window: there a press is seen that Playwright takes back, because what it was meant for had moved.
    document.addEventListener(
      'pointerdown',
      (e) => {
        typed = e.target
        tapped()
      },
      true,
    )
    // A field that is filled without a press was pressed all the same.
    document.addEventListener(
      'input',
      (e) => {
        if (
          e.target !== typed &&
          (e.target as HTMLElement).matches('input:not([type=checkbox], [type=radio]), textarea')
        )
          tapped()
        typed = e.target
      },
      true,
    )
  })
  return () => taps
}

/** Counts the keys that are pressed from here on, across pages. Call before the first page; the answer tells the count so far. */
export async function countKeys(page: Page): Promise<() => number> {
  let keys = 0
  await page.exposeFunction('keyed', () => {
    keys++
  })
  await page.addInitScript(() => {
    const keyed = () => void (window as unknown as { keyed: () => Promise<void> }).keyed()
    document.addEventListener('keydown', keyed, true)
  })
  return () => keys
}
