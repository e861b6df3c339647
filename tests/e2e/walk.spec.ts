import { expect, test, type Page } from '@playwright/test'
import {
  expectAccessible,
  expectNoSideScroll,
  goReady,
  plantings as plantingIds,
  startOver,
  watchForErrors,
} from './steps'

test.beforeEach(({ request }) => startOver(request))
test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

const garden = async (page: Page) => {
  const state = (await (await page.request.get('/api/state')).json()) as { gardens: { id: string }[] }
  return `/api/gardens/${state.gardens[0]?.id}`
}
const round = async (page: Page) =>
  (await (await page.request.get(`${await garden(page)}/round`)).json()) as {
    walk: {
      id: string
      seenPlantingIds: string[]
      toName: { leavesLooked: number; leavesAffected: number }[]
    } | null
    stops: { place: string; plantings: { plantingId: string }[] }[]
  }
const tap = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first().tap()

test('a round of the ten places, tap by tap', async ({ page }) => {
  test.slow()
  const errors = watchForErrors(page)
  const before = await round(page)
  const plantings = before.stops.reduce((n, s) => n + s.plantings.length, 0)
  await page.goto('/walk')
  await expect(page.getByRole('heading', { name: /^First:/ })).toBeVisible()
  await expectNoSideScroll(page)
  // The deed lies under the thumb, in the lower third, wherever one has read to.
  const deed = page.getByRole('button', { name: /^Start the walk/ })
  for (const to of [0, 300]) {
    await page.evaluate((y) => window.scrollTo(0, y), to)
    expect((await deed.boundingBox())?.y).toBeGreaterThan((844 * 2) / 3)
  }
  let taps = 1
  await tap(page, /^Start the walk/)
  let shown = ''
  for (let i = 0; i < plantings; i++) {
    const heading = page.getByRole('heading', { level: 1 })
    await expect(heading).toHaveText(/: /)
    await expect(heading).not.toHaveText(shown)
    shown = (await heading.textContent()) ?? ''
    for (let k = 0; k < 4; k++) await tap(page, 'Five clean')
    await tap(page, 'Save: all clean')
    taps += 5
  }
  await expect(page.getByText('The round is done.')).toBeVisible()
  await expect(page.getByText('Every place was seen.')).toBeVisible()
  expect((await round(page)).walk?.seenPlantingIds).toHaveLength(plantings)
  await tap(page, 'End the walk here')
  await expect(page.getByRole('heading', { name: /^First:/ })).toBeVisible()
  await expect.poll(async () => (await round(page)).walk).toBeNull()
  expect(taps / before.stops.length).toBeLessThan(10)
  expect(errors).toEqual([])
})

test('a bed that two counted on one round becomes one look', async ({ page }) => {
  const courgette = (await plantingIds(page))['Chapel: courgette']
  const api = await garden(page)
  const walkId = crypto.randomUUID()
  await page.request.put(`${api}/walks/${walkId}`, { data: {} })
  for (const [leavesLooked, leavesAffected, at] of [
    [20, 4, '2026-07-16T15:30:00Z'],
    [10, 5, null],
  ]) {
    const signs = [{ sign: 'white-dust', present: true }]
    const look = { plantingId: courgette, leavesLooked, leavesAffected, signs, ants: 'none', helpers: 0 }
    const kept = await page.request.post(`${api}/observations`, {
      data: { id: crypto.randomUUID(), mummies: 0, walkId, at, ...look },
    })
    expect(kept.ok()).toBe(true)
  }
  await page.goto('/walk')
  const twice = page.getByRole('region', { name: 'Counted twice' })
  await expect(twice.getByText(/4 of 20 leaves at .*, 5 of 10 leaves at/)).toBeVisible()
  await expectAccessible(page)
  await tap(page, 'One look of both')
  await expect(twice).toHaveCount(0)
  await expect(page.getByRole('link', { name: /9 of 30 leaves/ })).toBeVisible()
})

test('what was written on the paper sheet is typed in, and a line that is refused stays', async ({
  page,
}) => {
  const plantings = (await round(page)).stops.flatMap((s) => s.plantings).length
  await page.goto('/walk/sheet')
  await page.getByRole('link', { name: 'Type in what was written on it' }).tap()
  const lines = page.getByRole('group')
  await expect(lines).toHaveCount(plantings)
  const fill = async (line: number, looked: string, affected: string) => {
    await lines.nth(line).getByLabel('Turned over').fill(looked)
    await lines.nth(line).getByLabel('Affected').fill(affected)
  }
  await fill(0, '20', '0')
  await fill(1, '10', '12')
  await page.reload()
  await tap(page, 'Save these counts (2)')
  await expect(page.getByText('1 count saved.')).toBeVisible()
  await expect(lines.nth(1).getByText('More leaves are affected than were looked at.')).toBeVisible()
  expect((await round(page)).walk?.seenPlantingIds).toHaveLength(1)
  await expectNoSideScroll(page)
  await expectAccessible(page)
  await fill(1, '12', '10')
  await tap(page, 'Save these counts (1)')
  await expect.poll(async () => (await round(page)).walk?.seenPlantingIds.length).toBe(2)
})

test('a place is skipped, the walk is stopped and taken up again', async ({ page }) => {
  await page.goto('/walk')
  await tap(page, /^Start the walk/)
  await tap(page, 'Five clean')
  await page.reload()
  await expect(page.getByRole('button', { name: /^Clean 5/ })).toBeVisible()
  await tap(page, 'Save: all clean')
  await expect(page.getByRole('button', { name: /^Clean 0/ })).toBeVisible()
  const heading = page.getByRole('heading', { level: 1 })
  const place = ((await heading.textContent()) ?? '').split(':')[0] ?? ''
  await tap(page, `Skip ${place}`)
  await expect(heading).not.toHaveText(new RegExp(`^${place}:`))
  await page.goto('/')
  await page.goto('/walk')
  await expect(page.getByText('1 of 10 places')).toBeVisible()
  await tap(page, 'End the walk here')
  await expect(page.getByText('skipped on the last walk').first()).toBeVisible()
})

test('two troubles, how much of a leaf, where, and a photo', async ({ page }) => {
  await page.goto('/walk')
  await page.getByRole('link', { name: /^Chapel: courgette/ }).tap()
  await tap(page, 'A second trouble')
  await tap(page, /^First \d/)
  await tap(page, /^Both/)
  await tap(page, /^Second \d/)
  await tap(page, /^Clean/)
  await tap(page, 'First trouble: 2')
  await tap(page, 'White dust')
  await tap(page, '20 %')
  await tap(page, 'Second trouble: 2')
  await tap(page, /^\+ \d+/)
  await tap(page, 'Flies up')
  await page.getByLabel('Photos').setInputFiles('../../docs/screenshots/board.png')
  await expect(page.getByRole('img', { name: 'Photo 1' })).toBeVisible()
  await expectNoSideScroll(page)
  await expectAccessible(page)
  await tap(page, 'Save and name it')
  await expect(page.getByText(/2 of 4 leaves/)).toBeVisible()
  await expect(page.getByText('about 20 % of such a leaf covered')).toBeVisible()
  await expect(page.getByRole('img', { name: 'Photo 1, open it large' })).toBeVisible()
  await tap(page, 'Name it and go on')
  await expect(page.getByRole('heading', { name: 'Still without a name' })).toBeVisible()
  await page.getByRole('link', { name: 'Chapel courgette: 2 of 4 leaves' }).tap()
  await expect(page.getByRole('button', { name: /^Greenhouse whitefly/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
})

test('nobody knows which aphid, and that is name enough', async ({ page }) => {
  await page.goto('/walk')
  await page.getByRole('link', { name: /^Polytunnel north: aubergine/ }).tap()
  for (let i = 0; i < 3; i++) await tap(page, /^Affected/)
  await tap(page, 'Small insects')
  await tap(page, 'Save and name it')
  const answer = page.getByRole('heading', { name: /^An aphid: \d+ %/ })
  await expect(answer).toBeVisible()
  const callIt = page.getByRole('button', { name: 'Call it an aphid and decide' })
  // The answer, what would settle it, and the deed: all without scrolling.
  for (const seen of [answer, page.getByRole('button', { name: 'Yes', exact: true }), callIt])
    await expect(seen).toBeInViewport({ ratio: 1 })
  const lead = page.getByRole('button', { name: /^Melon aphid/ })
  const before = (await lead.textContent()) ?? ''
  const question = page.getByRole('heading', { name: /\?$/, level: 2 })
  const first = (await question.textContent()) ?? ''
  await tap(page, 'Not sure')
  await expect(question.filter({ hasText: first })).toHaveCount(0)
  await expect(lead).toHaveText(before)
  await callIt.tap()
  await expect(page.getByRole('heading', { name: /aubergine: an aphid/ })).toBeVisible()
  await page.goto('/walk')
  await expect(page.getByText('Still without a name')).toHaveCount(0)
})

test('a browser that keeps nothing counts all the same, and says what to do while the network is away', async ({
  page,
  context,
}) => {
  await page.addInitScript(() => {
    const denied = () => {
      throw new DOMException('The operation is insecure.', 'SecurityError')
    }
    Object.defineProperty(window, 'localStorage', { get: denied })
    IDBFactory.prototype.open = denied
  })
  const courgette = (await plantingIds(page))['Chapel: courgette'] ?? ''
  const save = page.getByRole('button', { name: /^Save: all clean/ })
  await page.goto(`/walk/${courgette}`)
  await expect(page.getByText(/^This browser keeps nothing on the device/)).toBeVisible()
  await expectAccessible(page)
  await expectNoSideScroll(page)
  await tap(page, 'Five clean')
  await context.setOffline(true)
  await save.tap()
  await expect(page.getByText(/save again when the network is back/)).toBeVisible()
  await expect(page.getByRole('button', { name: /^Clean.*5$/ })).toBeVisible()
  await context.setOffline(false)
  await save.tap()
  await expect(page).not.toHaveURL(new RegExp(courgette))
  expect((await round(page)).walk?.seenPlantingIds).toEqual([courgette])
})

test.describe('out of reach of the network', () => {
  test.use({ serviceWorkers: 'allow' })

  test('counts stay on the device, over a reload, and arrive once', async ({ page, context }) => {
    test.slow()
    await goReady(page, '/walk')
    await expect(page.getByRole('heading', { name: /^First:/ })).toBeVisible()

    await context.setOffline(true)
    await tap(page, /^Start the walk/)
    for (let i = 0; i < 4; i++) await tap(page, 'Five clean')
    for (let i = 0; i < 2; i++) await tap(page, /^Affected/)
    await expect(page.getByText(/Count on|Above the|Below the/)).toBeVisible()
    await page.reload()
    await expect(page.getByRole('button', { name: /^Clean 20/ })).toBeVisible()
    await expect(page.getByRole('button', { name: /^Affected 2/ })).toBeVisible()
    const first = (await page.getByRole('heading', { level: 1 }).textContent()) ?? ''
    await tap(page, 'Save, name it later')
    await expect(page.getByText('2 entries are kept on this device')).toBeVisible()
    await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(first)
    await page.getByRole('link', { name: /^Walk: / }).tap()
    await expect(page.getByRole('heading', { name: /^Next:/ })).toBeVisible()
    await page.reload()
    await expect(page.getByText('2 entries are kept on this device')).toBeVisible()
    await expect(page.getByRole('heading', { name: /^Next:/ })).toBeVisible()
    expect((await round(page)).walk).toBeNull()

    // What waits goes by itself as soon as the network is back.
    await context.setOffline(false)
    await expect(page.getByText('kept on this device')).toHaveCount(0, { timeout: 30_000 })
    await expect(page.getByText('Still without a name')).toBeVisible()
    const { walk } = await round(page)
    expect(walk?.toName).toHaveLength(1)
    expect(walk?.toName[0]).toMatchObject({ leavesLooked: 22, leavesAffected: 2 })
  })

  test('what was found is named on the device as the server would, and the name arrives', async ({
    page,
    context,
  }) => {
    const courgette = (await plantingIds(page))['Chapel: courgette'] ?? ''
    await goReady(page, '/')

    await context.setOffline(true)
    await page.goto(`/walk/${courgette}`)
    for (let i = 0; i < 3; i++) await tap(page, 'Five clean')
    for (let i = 0; i < 3; i++) await tap(page, /^Affected/)
    await tap(page, /^Small insects/)
    await tap(page, 'Save and name it')
    await expect(page.getByText(/^No network: ranked on this device/)).toBeVisible()
    const lead = page.locator('#answer')
    await expect(lead).toHaveText(/: \d+ %$/)
    const before = (await lead.textContent()) ?? ''
    await tap(page, 'Yes')
    await expect(lead).not.toHaveText(before)
    // It outlives the page, and what was answered is in it.
    await page.reload()
    await expect(page.getByText(/^No network: ranked on this device/)).toBeVisible()
    const here = (await lead.textContent()) ?? ''
    expect(here).not.toBe(before)
    const address = page.url()
    await expectAccessible(page)
    await tap(page, /^Call it .* and go on$/)
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Walk')

    await context.setOffline(false)
    await expect(page.getByText('kept on this device')).toHaveCount(0, { timeout: 30_000 })
    await page.goto(address)
    await expect(page.getByText(/^No network/)).toHaveCount(0)
    await expect(lead).toHaveText(here)
    await page.goto(`/decide?planting=${courgette}`)
    await expect(page.getByText(/3 of 18 leaves/).first()).toBeVisible()
  })

  test('a check-back is made on the device, and its verdict comes with the network', async ({
    page,
    context,
  }) => {
    await goReady(page, '/')
    const due = page.getByRole('link', { name: 'Check back: Polytunnel north aubergine' })
    await expect(due).toBeVisible()

    await context.setOffline(true)
    await due.tap()
    await expect(page.getByText(/^Count the same 30 leaves/)).toBeVisible()
    for (let i = 0; i < 6; i++) await tap(page, 'Five clean')
    await tap(page, 'Judge this spray')
    await expect(page.getByText('The verdict comes when the network is back.')).toBeVisible()
    await expect(page.getByText('1 entry is kept on this device')).toBeVisible()

    await context.setOffline(false)
    await expect(page.getByText('kept on this device until')).toHaveCount(0, { timeout: 30_000 })
    await expect(page.getByRole('heading', { name: 'Cleared' })).toBeVisible()
  })
})
