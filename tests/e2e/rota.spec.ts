import ICAL from 'ical.js'
import { expect, test, type Page } from '@playwright/test'
import { bandsOf, expectAccessible, expectNoSideScroll, goReady, startOver } from './steps'

test.beforeEach(({ request }) => startOver(request))

const block = (page: Page) =>
  page.getByRole('button', { name: /^Chapel courgette: .* against powdery mildew/i }).first()

test('a round is carried to another day by keys, with its cost, pinned and let go', async ({ page }) => {
  await page.goto('/rota')
  await block(page).focus()
  await page.keyboard.press('Enter')
  const card = page.getByRole('region', { name: /^Chapel courgette/ })
  await expect(card.getByText(/24 % of leaves/)).toBeVisible()
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight')
  const move = card.getByRole('button', { name: /^Move it to/ })
  await expect(move).toBeVisible()
  await expect(card.getByText(/Costs .* more|As good as planned/)).toBeVisible()
  await expectAccessible(page)
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: /^Let go: Chapel courgette/ }).click()
  await expect(page.getByRole('button', { name: /^Let go: Chapel courgette/ })).toHaveCount(0)
})

test('the grid is one stop for Tab, and up and down go through it', async ({ page }) => {
  await page.goto('/rota')
  const grid = page.getByRole('group', { name: 'The fortnight by places' })
  const blocks = grid.getByRole('button')
  await expect(blocks.nth(1)).toBeVisible()
  await expect(grid.locator('[tabindex="0"]')).toHaveCount(1)
  await grid.locator('[tabindex="0"]').focus()
  await expect(blocks.first()).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await expect(blocks.nth(1)).toBeFocused()
  await expect(blocks.nth(1)).toHaveAttribute('tabindex', '0')
  await page.keyboard.press('ArrowUp')
  await expect(blocks.first()).toBeFocused()
})

test('the calendar opens in a program of its own, and the same visits move in it', async ({ page }) => {
  const { gardens } = await (await page.request.get('/api/state')).json()
  const feed = async () => {
    const text = await (await page.request.get(`/api/gardens/${gardens[0].id}/plan/calendar.ics`)).text()
    const calendar = new ICAL.Component(ICAL.parse(text))
    return new Map(
      calendar
        .getAllSubcomponents('vevent')
        .map((c) => [
          new ICAL.Event(c).uid,
          { event: new ICAL.Event(c), status: c.getFirstPropertyValue('status') },
        ]),
    )
  }
  const before = await feed()
  expect(before.size).toBeGreaterThan(3)
  for (const { event } of before.values()) expect(event.endDate.compare(event.startDate)).toBeGreaterThan(0)

  await page.goto('/rota')
  await block(page).focus()
  await page.keyboard.press('Enter')
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('button', { name: /^Move it to/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Let go: Chapel courgette/ })).toBeVisible()

  const after = await feed()
  // Every visit that was given out once is in it still: where it was, moved, or called off.
  for (const [uid, { event }] of before) {
    const now = after.get(uid)
    expect(now, event.summary).toBeTruthy()
    const moved = now?.event.startDate.compare(event.startDate) !== 0 || now.status === 'CANCELLED'
    if (moved) expect(now?.event.sequence).toBeGreaterThan(event.sequence ?? 0)
  }
  expect([...before].some(([uid, { event }]) => after.get(uid)?.event.sequence !== event.sequence)).toBe(true)
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true, serviceWorkers: 'allow' })
  test('from the plan to a logged outing, out of reach of the network', async ({ page, context }) => {
    await goReady(page, '/')
    await page.goto('/rota')
    await page
      .getByRole('button', { name: /^Go out: .*neem with soap/ })
      .first()
      .tap()
    await expect(page.getByRole('heading', { name: /neem with soap/, level: 1 })).toBeVisible()
    await expectNoSideScroll(page)
    await expectAccessible(page)
    await context.setOffline(true)
    await page.getByLabel('Mixed and labelled').first().check()
    await page.getByRole('checkbox', { name: /^Chapel courgette/ }).check()
    await page.getByRole('button', { name: 'Neem with soap: less' }).tap()
    await page.getByRole('button', { name: /^Log this outing/ }).tap()
    await expect(page.getByText('It is kept on this device and sent when the network is back.')).toBeVisible()
    await context.setOffline(false)
    await page.getByRole('button', { name: 'To the Board' }).tap()
    await expect((await bandsOf(page)).first()).toBeVisible()
  })
})
