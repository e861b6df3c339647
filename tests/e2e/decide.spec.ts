import { expect, test } from '@playwright/test'
import { expectAccessible, expectNoSideScroll, startOver } from './steps'

test.beforeEach(({ request }) => startOver(request))

test('a trouble is answered, done and taken back', async ({ page }) => {
  await page.goto('/decide')
  await page.getByRole('button', { name: /^Chapel courgette/ }).click()
  const card = page.getByRole('article').filter({ hasText: 'Chapel courgette: powdery mildew' })
  await expect(card.getByText(/^Cut \d+ leaves and bin them, then .* left alone \d+ %/)).toBeVisible()
  await card.getByText('Every step, and why').click()
  await card.getByRole('button', { name: /^Pass by: Feed after pruning/ }).click()
  await expect(card.getByText('You passed it by.')).toBeVisible()
  await card.getByRole('button', { name: 'Do this: Chapel courgette, powdery mildew' }).click()
  await expect(card.getByText('taken on').first()).toBeVisible()
  await expect(page.getByRole('region', { name: 'Courses' }).getByText(/^Chapel courgette/)).toBeVisible()
  const tasks = page.getByRole('region', { name: 'Taken on' })
  await tasks.getByRole('button', { name: 'Leaves taken off: one more' }).click()
  await tasks.getByRole('button', { name: /^Done: Take off/ }).click()
  await expect(tasks.getByText('Nothing yet.')).toBeVisible()
  await page.keyboard.press('u')
  await expect(tasks.getByRole('button', { name: /^Done: Take off/ })).toBeVisible()
  await page.goto('/')
  await expect(page.getByText('Take off the worst leaves: Chapel courgette')).toBeVisible()
})

test('another way than the proposed one is drawn, and done instead', async ({ page }) => {
  await page.goto('/decide')
  await page.getByRole('button', { name: /^Chapel courgette/ }).click()
  const ways = page.getByRole('region', { name: /^Ways for Chapel courgette/ })
  await ways.getByRole('button', { name: /^cut \d+ leaves and bin them: draw it/ }).click()
  await expect(page.getByRole('img', { name: /left alone; proposed; this way/ })).toBeVisible()
  await ways.getByRole('button', { name: /^Do this instead: cut \d+ leaves and bin them$/ }).click()
  await expect(
    page.getByRole('region', { name: 'Taken on' }).getByText('Take off the worst leaves'),
  ).toBeVisible()
  await expect(page.getByRole('region', { name: 'Courses' }).getByText(/^Chapel courgette/)).toBeHidden()
})

test('a way that was played through becomes the course', async ({ page }) => {
  await page.goto('/decide')
  await page.getByRole('button', { name: /^Chapel courgette/ }).click()
  await page.getByText('Every step, and why').click()
  await page.getByRole('button', { name: 'What if? powdery mildew on Chapel courgette' }).click()
  const figures = page.getByRole('region', { name: 'The ways in figures' })
  await figures
    .getByRole('button', { name: /bicarbonate with sticker/ })
    .first()
    .click()
  await page.getByRole('button', { name: /^Adopt it as the course/ }).click()
  const courses = page.getByRole('region', { name: 'Courses' })
  await expect(courses.getByText(/^Chapel courgette/)).toBeVisible()
  await courses.getByRole('button', { name: /^Stop the course on Chapel courgette/ }).click()
  await expect(courses.getByText(/^Chapel courgette/)).toBeHidden()
})

test('what nobody found yet can be supposed', async ({ page }) => {
  await page.goto('/what-if')
  await page.getByRole('combobox', { name: 'Where' }).click()
  await page.getByRole('option', { name: 'Polytunnel south: cucumber' }).click()
  await page.getByRole('combobox', { name: 'What' }).click()
  await page.getByRole('option', { name: 'two-spotted spider mite' }).click()
  await page.getByLabel('Affected, in a hundred').fill('30')
  await page.getByRole('button', { name: 'Play it through' }).click()
  await expect(page.getByText('30 % affected, supposed')).toBeVisible()
  await expect(page.getByRole('region', { name: 'The ways in figures' }).getByRole('row')).not.toHaveCount(1)
  await expectAccessible(page)
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('a whole walk is answered with one tap', async ({ page }) => {
    await page.goto('/decide')
    await page.getByRole('button', { name: 'Take on all that is proposed' }).tap()
    await expect(page.getByText('Everything is answered.')).toBeVisible({ timeout: 40_000 })
    await expectNoSideScroll(page)
    await expectAccessible(page)
  })
})
