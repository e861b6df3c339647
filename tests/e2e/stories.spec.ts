import { expect, test, type Page } from '@playwright/test'
import { countTaps, expectAccessible, plantings, startOver } from './steps'

test.beforeEach(({ request }) => startOver(request))

async function choose(page: Page, label: string, search: string, option: string) {
  await page.getByRole('combobox', { name: label, exact: true }).click()
  await page.getByRole('searchbox').fill(search)
  await page.getByRole('option', { name: option }).first().click()
}

test('helpers that came too soon wait, are let out, and keep soap away', async ({ page }) => {
  const ids = await plantings(page)
  const { gardens } = await (await page.request.get('/api/state')).json()
  const order = await page.request.post(`/api/gardens/${gardens[0].id}/helpers`, {
    data: {
      id: crypto.randomUUID(),
      plantingId: ids['Polytunnel north: aubergine'],
      helper: 'predatory-mite',
      number: 200,
      comesOn: '2026-07-16',
      target: 'spider-mite',
    },
  })
  expect(order.status()).toBe(201)
  await page.goto('/')
  const deed = 'Let the helpers out: 200 predatory mites, Polytunnel north aubergine'
  await expect(page.getByRole('link', { name: deed })).toBeVisible()

  await page.goto('/decide')
  const out = page.getByRole('button', { name: 'Let out: Let the helpers out, Polytunnel north aubergine' })
  await out.click()
  await expect(page.getByText(/^Not yet: .* would harm them until \d+ July\.$/)).toBeVisible()
  await expectAccessible(page)
  for (let i = 0; i < 4; i++) {
    const stepped = page.waitForResponse((r) => r.url().endsWith('/api/demo/step'))
    await page.getByRole('button', { name: '+1 day' }).click()
    await stepped
  }
  const taps = await countTaps(page)
  await page.reload()
  await out.click()
  await expect(out).toBeHidden()
  expect(taps()).toBe(1)
  await page.goto(`/bench?planting=${ids['Polytunnel north: aubergine']}&recipe=insecticidal-soap`)
  await expect(
    page
      .getByText(/200 predatory mites were let out here on 20 July; insecticidal soap would harm them/)
      .first(),
  ).toBeVisible()
  await expect(page.getByRole('button', { name: /^Mixed it/ })).toBeDisabled()
})

test('a crop that no list has is added, planted and walked', async ({ page }) => {
  await page.goto('/garden/ways')
  const card = page.getByRole('region', { name: 'Crops and troubles of your own' })
  await card.getByLabel('Your name for it').fill('Eggplant')
  await choose(page, 'Most like', 'pota', 'Potato')
  await card.getByRole('button', { name: 'Add it' }).click()
  await expect(card.getByText('That one is listed: choose it from the list instead.')).toBeVisible()
  await card.getByLabel('Your name for it').fill('Oca')
  await card.getByRole('button', { name: 'Add it' }).click()
  await expect(card.getByText('Oca, a crop like potato')).toBeVisible()
  await expectAccessible(page)

  await page.getByRole('link', { name: 'Places and plantings' }).click()
  await page.getByRole('button', { name: 'Plant something in Sluice' }).click()
  await choose(page, 'Crop', 'oca', 'Oca (your own)')
  await page.getByRole('button', { name: 'Plant it' }).click()
  await expect(page.getByRole('button', { name: 'Oca is cleared' })).toBeVisible()
  await page.goto('/walk')
  await page.getByRole('link', { name: /^Sluice: oca/ }).click()
  await page.getByRole('button', { name: /^Affected/ }).click()
  await expect(page.getByRole('button', { name: 'Affected 1' })).toBeVisible()
})

test('what is left alone on purpose is proposed for no longer', async ({ page }) => {
  await page.goto('/decide')
  const trouble = page.getByText('Chapel courgette').first()
  await expect(trouble).toBeVisible()
  const evening = page.getByRole('region', { name: 'This evening' })
  await page.goto('/')
  await expect(evening).toContainText('Chapel courgette')
  const taps = await countTaps(page)
  await page.goto('/garden')
  await page.getByRole('button', { name: 'Leave it alone on purpose: Courgette in Chapel' }).click()
  await expect(page.getByText('left alone on purpose', { exact: true })).toBeVisible()
  expect(taps()).toBe(1)
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'This evening' })).toBeVisible()
  await expect(evening).not.toContainText('Chapel courgette')
  await page.goto('/garden')
  await page.getByRole('button', { name: 'Tend it again: Courgette in Chapel' }).click()
  await expect(page.getByText('left alone on purpose', { exact: true })).toHaveCount(0)
})

test('work before trouble is done everywhere, taken on for a day, let be, and taken back', async ({
  page,
}) => {
  const taps = await countTaps(page)
  await page.goto('/before')
  const net = page.getByRole('region', { name: 'Net it' })
  await net.getByRole('button', { name: /^Done in all \d+: Net it$/ }).click()
  await expect(net).toBeHidden()
  expect(taps()).toBe(1)
  await page.getByText('Done, and holds').click()
  await expect(page.getByText(/^Net it, Winding Hole kale/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(net).toBeVisible()

  // One for a day of one's own: it stands on the Board then, and is done there.
  const collars = page.getByRole('region', { name: 'Put collars round the stems' })
  await collars.getByText('One by one, another day, or not this season').click()
  await collars.getByLabel('Take it on for').fill('2026-07-17')
  await collars.getByRole('button', { name: 'Take on: Put collars round the stems' }).click()
  await expect(collars.getByText(/^for Fri 17 Jul/).first()).toBeVisible()
  const stepped = page.waitForResponse((r) => r.url().endsWith('/api/demo/step'))
  await page.getByRole('button', { name: '+1 day' }).click()
  await stepped
  await page.goto('/')
  await expect(page.getByRole('link', { name: /^Put collars round the stems: / }).first()).toBeVisible()
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

  test('sick plants are counted one by one, and they alone are mixed for', async ({ page }) => {
    const { gardens } = await (await page.request.get('/api/state')).json()
    const garden = await (await page.request.get(`/api/gardens/${gardens[0].id}`)).json()
    const id = crypto.randomUUID()
    const planted = await page.request.post(`/api/gardens/${gardens[0].id}/plantings`, {
      data: {
        id,
        placeId: garden.places.find((p: { name: string }) => p.name === 'Chapel').id,
        crop: 'kale',
        variety: null,
        from: '2026-05-01',
        stage: 'young',
        inFlower: false,
        count: 8,
      },
    })
    expect(planted.status()).toBe(201)
    const taps = await countTaps(page)
    await page.goto(`/walk/${id}`)
    await page.getByRole('button', { name: 'Count plant by plant' }).click()
    for (const number of [2, 5]) {
      await page.getByRole('button', { name: `Plant ${number}, not looked at` }).click()
      await page.getByRole('button', { name: `Plant ${number}, clean` }).click()
    }
    await page.getByRole('button', { name: 'The others are clean' }).click()
    await expect(page.getByRole('button', { name: 'Plant 8, clean' })).toBeVisible()
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Save, name it later' }).click()
    await expect(page.getByText('Noted Chapel kale.')).toBeVisible()

    await page.goto(`/bench?planting=${id}&target=cabbage-aphid&recipe=insecticidal-soap`)
    await expect(page.getByText('Made up to').first()).toBeVisible()
    await page.getByText('With their neighbours: 1, 2, 3, 4, 5, 6').click()
    await expect(page).toHaveURL(/plants=1&plants=2/)
    await page.getByText('The sick: 2, 5').click()
    await expect(page).toHaveURL(/plants=2&plants=5/)
    expect(taps()).toBe(9)
    await expectAccessible(page)
  })

  test('what is picked is weighed with a comma, and what is measured is kept', async ({ page }) => {
    const taps = await countTaps(page)
    await page.goto('/picking')
    await expect(page.getByText('Everything may be picked today.')).toBeVisible()
    await page.getByRole('button', { name: 'Pick: Boathouse chard' }).click()
    await page.getByRole('button', { name: 'Log it' }).click()
    await expect(page.getByText(/weighs over 0/)).toBeVisible()
    await page.getByLabel('How much').fill('0,75')
    await page.getByRole('button', { name: 'Log it' }).click()
    await expect(page.getByText('750 g in 1 picking this season')).toBeVisible()
    // One of them wrong.
    expect(taps()).toBe(4)
    await expectAccessible(page)

    const { gardens } = await (await page.request.get('/api/state')).json()
    const garden = await (await page.request.get(`/api/gardens/${gardens[0].id}`)).json()
    const rack = garden.places.find((p: { name: string }) => p.name === 'Window rack').id
    await page.goto(`/places/${rack}`)
    await page.getByText('Measured', { exact: true }).click()
    await page.getByLabel('Reads').fill('15')
    await page.getByRole('button', { name: 'Keep the reading' }).click()
    await expect(page.getByText('pH of the water lies between 3 and 10.')).toBeVisible()
    await page.getByLabel('Reads').fill('7,9')
    await page.getByRole('button', { name: 'Keep the reading' }).click()
    await expect(page.getByText(/^7.9 on 16 Jul: too high/)).toBeVisible()
    await expectAccessible(page)
  })
})
