import { expect, test, type Page } from '@playwright/test'
import { expectAccessible, expectNoSideScroll, goInside, startOver } from './steps'

// One page for all views: each is reached as from a link.
let one: Page

test.beforeAll(async ({ browser }) => {
  one = await browser.newPage()
  await startOver(one.request)
  await one.goto('/')
})

test.afterAll(() => one.close())

const views = [
  { path: '/', ready: 'This evening' },
  { path: '/walk', ready: 'Walk' },
  { path: '/decide', ready: 'Courses' },
  { path: '/before', ready: 'Hang yellow cards' },
  { path: '/picking', ready: 'Picking' },
  { path: '/rota', ready: 'Outings' },
  { path: '/bench', ready: 'Bench' },
  { path: '/shelf', ready: 'Products with a label' },
  { path: '/hours', ready: 'Best of ten days' },
  { path: '/check-backs', ready: 'Judged lately' },
  { path: '/ledger', ready: 'Wed 15 Jul' },
  { path: '/learned', ready: 'Litres and minutes' },
  { path: '/almanac', ready: 'What came when' },
  { path: '/weather', ready: 'Day by day' },
  { path: '/walk/sheet', ready: 'Walk sheet' },
  { path: '/walk/sheet/in', ready: 'What stands on the sheet' },
  { path: '/garden', ready: 'Places' },
  { path: '/garden/ways', ready: 'Crops and troubles of your own' },
  { path: '/garden/household', ready: 'Tansy Lock' },
  { path: '/garden/app', ready: 'Weather service' },
  { path: '/nowhere', ready: 'There is nothing at this address' },
]

for (const { path, ready } of views) {
  test(`${path} is accessible by day and at dusk, and nothing sticks out`, async () => {
    await one.setViewportSize({ width: 1280, height: 800 })
    await goInside(one, path)
    await expect(one.getByRole('heading', { name: ready }).first()).toBeVisible()
    for (const width of [360, 768, 1920]) {
      await one.setViewportSize({ width, height: 800 })
      await expectNoSideScroll(one)
    }
    await one.setViewportSize({ width: 1280, height: 800 })
    await expectAccessible(one)
    await one.getByRole('button', { name: 'Dusk', exact: true }).click()
    await expect(one.locator('html')).toHaveClass(/dusk/)
    await expectAccessible(one, ['color-contrast'])
    await one.getByRole('button', { name: 'Light', exact: true }).click()
    await expect(one.locator('html')).not.toHaveClass(/dusk/)
  })
}

test('count, suspects, bench and spray are accessible on the way', async ({ page }) => {
  await page.goto('/walk')
  await page.getByRole('link', { name: /^Polytunnel south: cucumber/ }).click()
  await page.getByRole('button', { name: /^Affected/ }).click()
  await expect(page.getByText('100 % affected')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save and name it' }).click()
  await expect(page.getByRole('heading', { name: / %$/, level: 2 })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: /and mix for it/ }).click()
  // A course runs against it: its next round is what is mixed.
  await expect(page.getByRole('heading', { name: 'Neem with soap' })).toBeVisible()
  await page.getByRole('button', { name: /^Mixed it/ }).click()
  await expect(page.getByRole('heading', { name: 'Log this spray' })).toBeVisible()
  await expectAccessible(page)
})

test('the shipped fonts come once the first answer stands, and not before', async ({ page }) => {
  await startOver(page.request)
  const fonts: string[] = []
  page.on('request', (r) => r.resourceType() === 'font' && fonts.push(r.url()))
  let answer: (() => void) | undefined
  await page.route('**/round*', async (route) => {
    await new Promise<void>((go) => (answer = go))
    await route.continue()
  })
  await page.goto('/walk')
  await expect.poll(() => answer).toBeDefined()
  await expect(page.getByText('One moment.')).toBeVisible()
  expect(fonts).toEqual([])
  answer?.()
  await expect(page.getByText(/^First: /)).toBeVisible()
  const loaded = () =>
    page.evaluate(() => [...document.fonts].filter((f) => f.status === 'loaded').map((f) => f.family))
  const shipped = ['Bricolage Grotesque', 'Atkinson Hyperlegible Next Variable']
  await expect.poll(loaded).toEqual(expect.arrayContaining(shipped))
})
