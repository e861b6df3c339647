import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { expectAccessible, expectNoSideScroll, startOver, tabTo } from './steps'

test.beforeEach(({ request }) => startOver(request))

/** Chooses from one of the fields by its label. */
async function choose(page: Page, label: string, option: string | RegExp) {
  await page.getByRole('combobox', { name: label, exact: true }).click()
  await page.getByRole('option', { name: option }).first().click()
}

test('what was not logged is logged by hand, put right with its history, struck out and undone', async ({
  page,
}) => {
  await page.goto('/ledger')
  await page.getByRole('button', { name: 'Log a spray by hand' }).click()
  await expect(page.getByRole('heading', { name: 'Log a spray by hand' })).toBeVisible()
  await choose(page, 'What', 'Bicarbonate with sticker')
  await page.getByLabel('When').fill('2026-07-14T19:30')
  await page.getByText('Choose one planting or more').click()
  await page.getByRole('option', { name: 'Chapel: squash' }).click()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Log this spray' }).click()
  await expect(page.getByText('Litres are over 0 and up to 50.').first()).toBeVisible()
  await page.getByLabel('How much spray').fill('1.5')
  await page.getByLabel('Note').fill('Forgot to log it')
  await page.getByRole('button', { name: 'Log this spray' }).click()
  await expect(page.getByText('Tue 14 Jul, 19:30')).toBeVisible()
  await expectAccessible(page)

  await page.getByRole('button', { name: 'Put it right' }).click()
  await page.getByLabel('How much spray').fill('0.9')
  await page.getByRole('button', { name: 'Save it so' }).click()
  const history = page.getByRole('region', { name: 'What it was before' })
  await expect(history.getByText('litres: 1.5 0.9')).toBeVisible()
  await page.getByRole('button', { name: 'Strike it out' }).click()
  await expect(page.getByText('Struck out on')).toBeVisible()
  // The key takes back what the strip names.
  await expect(page.getByText('Struck out bicarbonate.')).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByRole('button', { name: 'Strike it out' })).toBeVisible()
})

test('the ledger is narrowed, kept as a table and brought in again', async ({ page }) => {
  await page.goto('/ledger')
  await page.getByText('Show only a part').click()
  await choose(page, 'What', 'Sprays')
  await choose(page, 'Material', 'Bicarbonate')
  await choose(page, 'Place', 'Chapel')
  await expect(page.getByRole('region', { name: 'Totals' }).getByText('6 sprays')).toBeVisible()
  await expect(page).toHaveURL(/kind=spray/)
  const saving = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Save as a table' }).click()
  const table = (await readFile(await (await saving).path())).toString()
  expect(table.split('\r\n')[0]).toContain('kind,id,at,person,places')
  await page.getByText('Bring in a table').click()
  const file = (text: string) => ({ name: 'ledger.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await page.getByLabel('Table of records').setInputFiles(file(table.replace(/,900\b|,0\.9,/, ',=NOW(),')))
  await expect(page.getByText(/is no number from 0 to 1000/)).toBeVisible()
  await page
    .getByLabel('Table of records')
    .setInputFiles(
      file('kind,at,places,leaves_looked,leaves_affected\ncount,2026-07-12T18:00,Chapel/squash,20,0\n'),
    )
  await expect(page.getByText('1 new, 0 here already.')).toBeVisible()
  await page.getByRole('button', { name: 'Bring in 1' }).click()
  await expect(page.getByText('1 brought in, 0 were here already.')).toBeVisible()
})

test('a trial from the lot to the labels and the first count, by keyboard', async ({ page }) => {
  await page.goto('/trials/new')
  await page.getByLabel('Name').fill('Milk on the squash')
  await expectAccessible(page)
  await choose(page, 'Against', 'Powdery mildew')
  await choose(page, 'Side B', 'Milk')
  await page.getByLabel('Marked leaves at Chapel: squash').fill('40')
  await expect(
    page.getByText(/^With 20 leaves a side you would see a difference of \d+ points or more\.$/),
  ).toBeVisible()
  const lot = page.getByRole('button', { name: 'Draw the lot' })
  await tabTo(page, lot)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Milk on the squash' })).toBeVisible()
  for (const n of [1, 2, 3])
    await page
      .getByRole('group', { name: `Unit ${n}`, exact: true })
      .getByRole('button', { name: n < 3 ? 'affected' : 'clean' })
      .click()
  await expectAccessible(page)
  await page.reload()
  await page.getByRole('button', { name: 'Save this count (3 of 40)' }).click()
  await expect(page.getByRole('button', { name: 'They are treated' })).toBeVisible()
  await page.getByRole('button', { name: 'Labels and who gets what' }).click()
  await expect(page.getByRole('list', { name: 'Labels' }).getByRole('listitem')).toHaveCount(40)
  await expectAccessible(page)
})

test('a place tells its season, and an outcome is set aside', async ({ page }) => {
  await page.goto('/almanac')
  await page.getByRole('link', { name: 'Chapel' }).click()
  await expect(page.getByRole('heading', { name: 'Powdery mildew on courgette' })).toBeVisible()
  await expect(page.getByText(/^Found: 1 of|^Found: \d+ of/).first()).toBeVisible()
  await expectAccessible(page)

  await page.goto('/learned')
  const belief = page.getByRole('region', { name: 'Insecticidal soap against Greenhouse whitefly' })
  const before = await belief.getByText(/^Usually/).textContent()
  await belief.getByText(/outcomes$/).click()
  await belief
    .getByRole('button', { name: /^Set aside the outcome/ })
    .first()
    .click()
  await belief.getByRole('textbox').fill('Somebody hosed it')
  await belief.getByRole('button', { name: 'Set aside', exact: true }).click()
  await expect(belief.getByText('Set aside: Somebody hosed it')).toBeVisible()
  await expect(belief.getByText(/^Usually/)).not.toHaveText(before ?? '')
})

test('a garden goes out as a file and comes into an empty Mauvaise', async ({ page }) => {
  await page.goto('/garden/app')
  const saving = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Save the garden as a file' }).click()
  const download = await saving
  expect(download.suggestedFilename()).toMatch(/^tansy-lock-.*\.zip$/)
  const archive = {
    name: 'garden.zip',
    mimeType: 'application/zip',
    buffer: await readFile(await download.path()),
  }
  await page.getByLabel('Bring in a garden from a file').setInputFiles(archive)
  await expect(page.getByText('all of it is here already, and the same.')).toBeVisible()
  await page
    .getByLabel('Bring in a garden from a file')
    .setInputFiles({ ...archive, buffer: archive.buffer.subarray(0, 4000) })
  await expect(page.getByRole('alert')).toContainText('no whole archive')

  // Where nothing is set up yet the same is offered.
  await page.goto('/set-up')
  await page.getByText('Or bring in a garden that you have').click()
  await page.getByLabel('Bring in a garden from a file').setInputFiles(archive)
  await expect(page.getByText('all of it is here already, and the same.')).toBeVisible()
  await expectAccessible(page)
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('a check-back is counted, the touched ones told, and its course goes on', async ({ page }) => {
    await page.goto('/check-backs')
    await page.getByRole('link', { name: /^Polytunnel north aubergine/ }).tap()
    await expect(page.getByText(/^Count the same 30 leaves as on 10 July/)).toBeVisible()
    await page.getByRole('button', { name: /^They move/ }).tap()
    for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Five clean' }).tap()
    await page
      .getByRole('radio', { name: 'A little' })
      .or(page.getByRole('button', { name: 'A little' }))
      .first()
      .tap()
    await page.getByRole('button', { name: 'Curl' }).tap()
    for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Dead: one more' }).tap()
    await page.getByRole('button', { name: 'Living: one more' }).tap()
    await expectNoSideScroll(page)
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Judge this spray' }).tap()
    await expect(page.getByText('Touched: 3 dead, 1 living.')).toBeVisible()
    await expect(page.getByText('Injury to the plant: a little, curl.')).toBeVisible()
    await expect(page.getByText(/^The course:/)).toBeVisible()
    await expect(page.getByRole('img', { name: /before: 37 %.*now: 5 %/ })).toBeVisible()
  })
})
