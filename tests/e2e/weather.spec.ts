import { expect, test } from '@playwright/test'
import { expectAccessible, expectNoSideScroll, startOver, watchForErrors } from './steps'

test.beforeEach(({ request }) => startOver(request))

const table = [
  'Date/time;Temperature °C;Humidity %;Rain mm',
  '01.07.2026 12:00;24,5;55;0',
  '01.07.2026 13:00;25,0;52;0,4',
  '01.07.2026 14:00;999;50;0',
  'yesterday;25;50;0',
].join('\n')

test('a file is looked at, its columns set, and imported without its bad lines', async ({ page }) => {
  const errors = watchForErrors(page)
  await page.goto('/weather')
  await page
    .getByLabel('File of weather')
    .setInputFiles({ name: 'july.csv', mimeType: 'text/csv', buffer: Buffer.from(table) })
  await expect(page.getByText('2 hours from 4 lines')).toBeVisible()
  await expect(page.getByText('temperature 999 C is outside -60 to 60')).toBeVisible()
  await expect(page.getByText('The time can not be read.')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('combobox', { name: 'Rain mm' }).click()
  await page.getByRole('option', { name: 'leave out' }).click()
  await expect(page.getByText('2 hours from 4 lines')).toBeVisible()
  await page.getByRole('button', { name: 'Import 2 hours without the bad lines' }).click()
  await expect(page.getByText('2 hours imported, 2 lines left out.')).toBeVisible()
  await expect(page.getByText('imported file 1 day,')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('imported file 1 day,')).toBeHidden()
  expect(errors).toEqual([])
})

test('a rain gauge is entered, a mistake is told, and a station gets its key', async ({ page }) => {
  await page.goto('/weather')
  await page.getByRole('button', { name: 'Enter the weather of Fri 10 Jul' }).click()
  await page.getByLabel('Lowest').fill('12')
  await page.getByRole('button', { name: 'Save this day' }).click()
  await expect(page.getByText('The lowest and the highest temperature go together.')).toBeVisible()
  await page.getByLabel('Lowest').fill('')
  await page.getByLabel('Rain in the gauge').fill('12.5')
  await page.getByRole('button', { name: 'Save this day' }).click()
  const days = page.getByRole('region', { name: 'Day by day' })
  const day = days.getByRole('listitem').filter({ hasText: 'Fri 10 Jul' })
  await expect(day).toContainText('12.5 mm')
  await expect(day).toContainText('by hand, weather service')
  await page.getByRole('button', { name: 'Make a key' }).click()
  await expect(page.getByText(/X-Station-Key: [0-9a-f]{32}/)).toBeVisible()
  await expectAccessible(page)
})

test('a place shows pressure, stages and first dates, also on a phone', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: /^Sluice/ }).click()
  await expect(page.getByRole('heading', { name: 'Sluice', level: 1 })).toBeVisible()
  await expect(page.getByRole('img', { name: /^Pressure of black bean aphid/ }).first()).toBeVisible()
  await expect(
    page
      .getByRole('listitem')
      .filter({ hasText: /Adults of what was found/ })
      .first(),
  ).toBeVisible()
  await expect(page.getByText(/the middle of 2 earlier seasons/).first()).toBeVisible()
  await expectAccessible(page)
  await page.setViewportSize({ width: 390, height: 844 })
  await expectNoSideScroll(page)
})

test('busy hours are not proposed, and the hours say why not now', async ({ page }) => {
  await page.goto('/garden/ways')
  await page.getByText('When somebody is free to spray').click()
  await page.getByLabel('Thursday').fill('evenings')
  await page.getByRole('button', { name: 'Save the hours' }).click()
  await expect(page.getByText('Write hours as 6-8, 18-21, or always, or never.')).toBeVisible()
  await page.getByLabel('Thursday').fill('6-8')
  await page.getByRole('button', { name: 'Save the hours' }).click()
  await expect(page.getByText('always · always · always · 6-8')).toBeVisible()
  await page.goto('/hours')
  await expect(page.getByText('Why not now:')).toBeVisible()
  await expect(page.getByText(/Nobody is free then/).first()).toBeVisible()
})
