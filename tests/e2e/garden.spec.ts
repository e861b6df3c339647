import { expect, test } from '@playwright/test'
import { expectAccessible, startOver } from './steps'

test.beforeEach(({ request }) => startOver(request))

test('what was entered wrong is put right, and what has records stays', async ({ page }) => {
  await page.goto('/garden')
  await page.getByRole('button', { name: 'Put right: Courgette in Chapel' }).click()
  const form = page.getByRole('form', { name: 'Put right: Courgette' })
  await form.getByLabel('Plants').fill('7')
  await form.getByRole('button', { name: 'It never was: take it away' }).click()
  await expect(form.getByText(/There are records of this courgette. Clear it instead/)).toBeVisible()
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form).toBeHidden()
  await page.getByRole('button', { name: 'Put right: Courgette in Chapel' }).click()
  await expect(form.getByLabel('Plants')).toHaveValue('7')
  await expectAccessible(page)

  await page.getByText('Name, position and climate').click()
  await page.getByLabel('Name', { exact: true }).fill('Lock side')
  await page.getByLabel('Latitude, north positive').fill('47,6')
  await page.getByRole('button', { name: 'Save' }).first().click()
  await expect(page.getByRole('heading', { name: 'Lock side', level: 1 })).toBeVisible()
  await expect(page.getByText(/^47\.6, /)).toBeVisible()
})

test('a crop is found by the name that it has elsewhere', async ({ page }) => {
  await page.goto('/garden')
  await page.getByRole('button', { name: 'Plant something in Sluice' }).click()
  await page.getByRole('combobox', { name: 'Crop' }).click()
  await page.getByRole('searchbox').fill('eggplant')
  await expect(page.getByRole('option')).toHaveText(['Aubergine'])
})
