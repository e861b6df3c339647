import { expect, test } from '@playwright/test'
import { expectAccessible, expectNoSideScroll, plantings, startOver } from './steps'

test.beforeEach(({ request }) => startOver(request))

test('once or three times is tried out before anything is mixed', async ({ page }) => {
  const ids = await plantings(page)
  await page.goto(`/bench?planting=${ids['Sluice: runner-bean']}&target=black-bean-aphid&recipe=castile-soap`)
  await page.getByRole('link', { name: 'Once, or three times?' }).click()
  await expect(page.getByText(/Black bean aphid on Sluice runner bean, \d+ % affected/)).toBeVisible()
  const figures = page.getByRole('region', { name: 'The ways in figures' })
  await expect(figures.getByRole('button', { name: 'leave it, and look again' })).toBeVisible()
  await expectAccessible(page)

  await page
    .getByRole('button', { name: /^Leave out: / })
    .first()
    .click()
  await page.getByLabel('on these days from today').fill('0, 2')
  await page.getByRole('button', { name: 'Play it too' }).click()
  await expect(page.getByRole('alert')).toContainText('Castile soap wants 3 days between two rounds.')
  await page.getByRole('button', { name: 'Leave my own schedules out' }).click()
  await page.getByLabel('on these days from today').fill('0, 4, 8')
  await page.getByRole('button', { name: 'Play it too' }).click()
  await expect(figures.getByRole('button', { name: /^[A-F] .*on day 0, 4, 8$/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  )

  await page.setViewportSize({ width: 390, height: 844 })
  await expectNoSideScroll(page)
  await page.getByRole('button', { name: 'Mix the first round' }).click()
  await expect(page.getByRole('heading', { name: 'Bench', level: 1 })).toBeVisible()
})
