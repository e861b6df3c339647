import { expect, test, type Page } from '@playwright/test'
import { expectAccessible, plantings, startOver } from './steps'

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
  await out.click()
  await expect(out).toBeHidden()
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
  await page.goto('/garden')
  await page.getByRole('button', { name: 'Leave it alone on purpose: Courgette in Chapel' }).click()
  await expect(page.getByText('left alone on purpose', { exact: true })).toBeVisible()
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'This evening' })).toBeVisible()
  await expect(evening).not.toContainText('Chapel courgette')
  await page.goto('/garden')
  await page.getByRole('button', { name: 'Tend it again: Courgette in Chapel' }).click()
  await expect(page.getByText('left alone on purpose', { exact: true })).toHaveCount(0)
})
