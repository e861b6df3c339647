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

  await page.getByRole('link', { name: 'This Mauvaise' }).click()
  await page.getByText('Name, position and climate').click()
  await page.getByLabel('Name', { exact: true }).fill('Lock side')
  await page.getByLabel('Latitude, north positive').fill('47,6')
  await page.getByRole('button', { name: 'Save' }).first().click()
  await expect(page.getByRole('heading', { name: 'Lock side', level: 1 })).toBeVisible()
  await expect(page.getByText(/^47\.6 \/ /)).toBeVisible()
})

test('a crop is found by the name that it has elsewhere', async ({ page }) => {
  await page.goto('/garden')
  await page.getByRole('button', { name: 'Plant something in Sluice' }).click()
  await page.getByRole('combobox', { name: 'Crop' }).click()
  await page.getByRole('searchbox').fill('eggplant')
  await expect(page.getByRole('listbox').getByRole('option')).toHaveText(['Aubergine'])
})

test('two who change one place keep what each changed, and are told what both did', async ({
  page,
  context,
}) => {
  const other = await context.newPage()
  for (const p of [page, other]) {
    await p.goto('/garden')
    await p.getByRole('button', { name: 'Change Sluice' }).click()
  }
  const mine = page.getByRole('form', { name: 'Change Sluice' })
  const theirs = other.getByRole('form', { name: 'Change Sluice' })
  await theirs.getByRole('textbox', { name: 'Area' }).fill('9')
  await theirs.getByRole('button', { name: 'Save the place' }).click()
  await expect(theirs).toBeHidden()

  await mine.getByRole('textbox', { name: 'Area' }).fill('12')
  await mine.getByRole('button', { name: 'Save the place' }).click()
  await expect(mine.getByRole('alert')).toContainText('area: 9 m² there, 12 m² here')
  await mine.getByRole('button', { name: 'Write mine over it' }).click()
  await expect(mine).toBeHidden()
  await expect(page.getByRole('listitem').filter({ hasText: 'Sluice' }).first()).toContainText('12 m²')
})

test('a copy is made, looked into and put back, and the data is looked through', async ({ page }) => {
  await page.goto('/garden/app')
  await page.getByText('Copies of all data').click()
  await page.getByRole('button', { name: 'Make a copy now' }).click()
  const look = page.getByRole('button', { name: /^Look into the copy of .*made by hand$/ }).first()
  await expect(look).toBeVisible()
  const places = page.getByRole('link', { name: 'Places and plantings' })
  const app = page.getByRole('link', { name: 'This Mauvaise' })
  await places.click()
  await page.getByRole('button', { name: 'Beetroot is cleared' }).click()
  await expect(page.getByRole('button', { name: 'Beetroot is cleared' })).toBeHidden()

  await app.click()
  await page.getByText('Copies of all data').click()
  await look.click()
  await expect(page.getByText('Its pages, indexes and references are sound.')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Put this copy back' }).click()
  await page.getByRole('button', { name: 'Yes, put it back' }).click()
  await expect(page.getByText(/The copy is in its place/)).toBeVisible()
  await page.getByRole('button', { name: 'Look the data through' }).click()
  await expect(page.getByText(/^(All is sound|Something wants a look)\.$/)).toBeVisible()
  await places.click()
  await expect(page.getByRole('button', { name: 'Beetroot is cleared' })).toBeVisible()
})

test('a letter in the evening is asked for, and a server that does not answer is said', async ({ page }) => {
  await page.goto('/garden/household')
  await page.getByText('Letters in the evening').click()
  await expect(page.getByText(/This evening: .*neem with soap: Chapel/)).toBeVisible()
  await page.getByLabel('Address').fill('ilse')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('Enter an address, like you@example.org.')).toBeVisible()
  await page.getByLabel('Address').fill('ilse@example.org')
  await page.getByLabel('Not before', { exact: true }).fill('17:30')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByLabel('Not before, for ilse@example.org')).toHaveValue('17:30')

  await page.getByRole('textbox', { name: 'Server' }).fill('127.0.0.1')
  await page.getByLabel('Letters come from').fill('garden@example.org')
  await page.getByLabel('Port').fill('1')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await page.getByLabel('Send a try to').fill('ilse@example.org')
  await page.getByRole('button', { name: 'Try it' }).click()
  await expect(page.getByText('Nothing answers at 127.0.0.1, port 1.')).toBeVisible()
  await expectAccessible(page)
  // What is kept can be put right.
  await page.getByLabel('Port').fill('2')
  const kept = page.waitForResponse(
    (r) => r.url().endsWith('/api/mail-server') && r.request().method() === 'PUT',
  )
  await page.getByRole('button', { name: 'Keep it' }).click()
  expect((await kept).status()).toBe(204)
  await page.getByRole('button', { name: 'Try it' }).click()
  await expect(page.getByText('Nothing answers at 127.0.0.1, port 2.')).toBeVisible()
  await page.getByRole('button', { name: 'Forget it' }).click()
  await page.getByRole('button', { name: 'Take off ilse@example.org' }).click()
  await expect(page.getByText('nobody gets one')).toBeVisible()
})

const fromLeft = (label: string) => Number(/, ([\d.]+) m from the left/.exec(label)?.[1])
const fromTop = (label: string) => Number(/, ([\d.]+) m from the top/.exec(label)?.[1])

test('the beds are put on a plan and moved by keys and by hand', async ({ page }) => {
  await page.goto('/garden')
  await page.getByText('The plan of the beds').click()
  const unplaced = page.getByRole('group', { name: 'Put on the plan' })
  await unplaced.getByRole('button', { name: 'Sluice' }).click()
  const sluice = page.getByRole('button', { name: /^Sluice, .* from the left/ })
  // The first lies at the top, the next a metre below it, and not in the middle of an empty field.
  const sluiceDown = fromTop((await sluice.getAttribute('aria-label')) ?? '')
  expect(sluiceDown).toBeLessThan(4)
  const before = await sluice.getAttribute('aria-label')
  await sluice.focus()
  const kept = page.waitForResponse((r) => r.url().endsWith('/spot') && r.request().method() === 'PUT')
  await page.keyboard.press('ArrowRight')
  await expect(sluice).not.toHaveAttribute('aria-label', before ?? '')
  const moved = (await sluice.getAttribute('aria-label')) ?? ''
  await kept
  await page.reload()
  await page.getByText('The plan of the beds').click()
  await expect(sluice).toHaveAttribute('aria-label', moved)

  await unplaced.getByRole('button', { name: 'Chapel' }).click()
  const chapel = page.getByRole('button', { name: /^Chapel, .* from the left/ })
  await expect(chapel).toBeVisible()
  await expectAccessible(page)
  const lain = (await chapel.getAttribute('aria-label')) ?? ''
  expect(fromTop(lain)).toBeGreaterThan(sluiceDown)
  expect(fromTop(lain)).toBeLessThan(10)
  await chapel.scrollIntoViewIfNeeded()
  const at = await chapel.boundingBox()
  if (!at) throw new Error('The bed is not drawn.')
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2)
  await page.mouse.down()
  await page.mouse.move(at.x + at.width / 2 + 120, at.y + at.height / 2, { steps: 4 })
  const dragged = (await chapel.getAttribute('aria-label')) ?? ''
  await page.mouse.up()
  await expect(page.getByText('Moved Chapel on the plan.')).toBeVisible()
  expect(fromLeft(dragged)).toBeGreaterThan(fromLeft(lain) + 1)
  const lies = async () => fromLeft((await chapel.getAttribute('aria-label')) ?? '')
  await expect.poll(async () => ((await lies()) * 2) % 1).toBe(0)
  expect(Math.abs((await lies()) - fromLeft(dragged))).toBeLessThan(0.4)
})

test('a pot is carried elsewhere, kept apart, and its old place tells where it went', async ({ page }) => {
  await page.goto('/garden')
  await page.getByRole('button', { name: 'Carry elsewhere: Mint in Herb tubs' }).click()
  const form = page.getByRole('form', { name: 'Carry elsewhere: Mint' })
  await form.getByRole('combobox', { name: 'It stands in' }).click()
  await page.getByRole('option', { name: 'Window rack' }).click()
  await form.getByLabel('Kept apart until').fill('2026-07-01')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form.getByText(/until today or later|so until today/)).toBeVisible()
  await form.getByLabel('Kept apart until').fill('2026-07-30')
  await expectAccessible(page)
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form).toBeHidden()
  await expect(page.getByRole('listitem').filter({ hasText: 'Window rack' }).first()).toContainText(
    'kept apart until',
  )
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: 'Carry elsewhere: Mint in Herb tubs' })).toBeVisible()
})
