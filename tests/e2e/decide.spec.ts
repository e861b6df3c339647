import { expect, test } from '@playwright/test'
import { expectAccessible, expectNoSideScroll, startOver } from './steps'

test.beforeEach(({ request }) => startOver(request))

test('steps are taken on, passed by, done and taken back', async ({ page }) => {
  await page.goto('/decide')
  const card = page.getByRole('article').filter({ hasText: 'Chapel courgette: powdery mildew' })
  await card.getByRole('button', { name: /^Take on: Take off the worst leaves/ }).click()
  await expect(card.getByText('taken on')).toBeVisible()
  await card.getByRole('button', { name: /^Pass by: Feed after pruning/ }).click()
  await card.getByText(/^Passed over, and why/).click()
  await expect(card.getByText('You passed it by.')).toBeVisible()
  const tasks = page.getByRole('region', { name: 'Taken on' })
  await tasks.getByRole('button', { name: 'Leaves taken off: one more' }).click()
  await tasks.getByRole('button', { name: /^Done: Take off/ }).click()
  await expect(tasks.getByText('Nothing yet.')).toBeVisible()
  await page.keyboard.press('u')
  await expect(tasks.getByRole('button', { name: /^Done: Take off/ })).toBeVisible()
  await page.goto('/')
  await expect(page.getByText('Take off the worst leaves: Chapel courgette')).toBeVisible()
})

test('a schedule that was played through becomes the course', async ({ page }) => {
  await page.goto('/decide')
  await page.getByRole('button', { name: 'What if? powdery mildew on Chapel courgette' }).click()
  await page.getByRole('button', { name: /^Adopt it as the course/ }).click()
  const courses = page.getByRole('region', { name: 'Courses' })
  await expect(courses.getByText('0 of 3, next Thu 16 Jul')).toBeVisible()
  await courses.getByRole('button', { name: /^Stop the course on Chapel courgette/ }).click()
  await expect(courses.getByText('None runs.')).toBeVisible()
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
