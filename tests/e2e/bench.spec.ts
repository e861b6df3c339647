import { expect, test } from '@playwright/test'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { readFileSync } from 'node:fs'
import { expectAccessible, expectNoSideScroll, plantings, startOver } from './steps'

test.beforeEach(({ request }) => startOver(request))

test('where only labelled products are used, a home mix is refused and says why', async ({ page }) => {
  await page.goto('/garden/ways')
  await page.getByRole('checkbox', { name: /Only labelled products here/ }).check()
  await expect(page.getByText('Changed how the garden is run.')).toBeVisible()
  const ids = await plantings(page)
  await page.goto(`/bench?planting=${ids['Chapel: courgette']}&recipe=neem-with-soap`)
  await expect(page.getByText('only labelled products are used in this garden')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Mixed it/ })).toBeDisabled()
})

test('a refused mix is mended with one press', async ({ page }) => {
  const ids = await plantings(page)
  await page.goto(`/bench?planting=${ids['Chapel: courgette']}&recipe=neem-with-soap&dose=20`)
  await page.getByRole('button', { name: 'Take the strong dose' }).click()
  await expect(page.getByRole('button', { name: /^Mixed it/ })).toBeEnabled()
  await expect(page).toHaveURL(/step=strong/)
})

/** Millimetres of a PDF's pages, and of what is written on the first. */
async function measure(pdf: Uint8Array) {
  const document = await getDocument({ data: pdf }).promise
  const first = await document.getPage(1)
  const mm = (points: number) => (points / 72) * 25.4
  const { items } = await first.getTextContent()
  const words = items.flatMap((i) => ('str' in i && i.str.trim() ? [i] : []))
  return {
    pages: document.numPages,
    width: mm((first.view[2] ?? 0) - (first.view[0] ?? 0)),
    height: mm((first.view[3] ?? 0) - (first.view[1] ?? 0)),
    text: words.map((w) => w.str).join(' '),
    left: mm(Math.min(...words.map((w) => w.transform[4]))),
    right: mm(Math.max(...words.map((w) => w.transform[4] + w.width))),
    lowest: mm(Math.min(...words.map((w) => w.transform[5]))),
  }
}

test('a new pairing goes from two leaves to a label at its real size', async ({ page }) => {
  const ids = await plantings(page)
  await page.goto(`/bench?planting=${ids['Boathouse: chard']}&target=cercospora&recipe=neem-with-soap`)
  await expect(page.getByText('Neem oil on chard is new here')).toBeVisible()
  await page.getByRole('button', { name: 'Try two leaves first' }).click()

  await page.getByText('Shake a jar to find yours').click()
  await page.clock.install()
  await page.getByRole('button', { name: 'Shaken: start watching' }).click()
  await page.getByRole('button', { name: 'It parted already' }).click()
  await expect(page.getByText('A jar with 2 ml of soap')).toBeVisible()
  await page.getByRole('button', { name: 'Shaken: start watching' }).click()
  await page.clock.runFor(46_000)
  await page.getByRole('button', { name: 'Even: keep this amount' }).click()
  await expect(page.getByText('Soap: 2 ml a litre, as your jar showed')).toBeVisible()
  await expectAccessible(page)

  await page.getByRole('link', { name: 'Print the mix card' }).click()
  await expect(page.getByRole('button', { name: 'Print' })).toBeEnabled()
  const card = await measure(new Uint8Array(await page.pdf({ preferCSSPageSize: true })))
  expect(card.pages).toBe(1)
  expect([card.width, card.height]).toEqual([expect.closeTo(148, 0), expect.closeTo(210, 0)])
  expect(card.text).toContain('Neem with soap')
  expect(card.text).toContain('Home mixes are not approved products')
  await page.getByRole('link', { name: 'Back to the bench' }).click()

  await page.getByRole('button', { name: 'Mixed it: 100 ml for two leaves' }).click()
  await expect(page.getByRole('heading', { name: 'Log this spray' })).toBeVisible()
  await page.getByRole('link', { name: 'Print the label at its real size' }).click()
  // The screen before it shows a label too.
  await expect(page.getByRole('heading', { name: 'Bottle label' })).toBeVisible()
  await expect(page.getByText('Not a drink. Keep from children and pets.')).toBeVisible()
  const label = await measure(new Uint8Array(await page.pdf({ preferCSSPageSize: true })))
  expect(label.pages).toBe(1)
  expect([label.width, label.height]).toEqual([expect.closeTo(90, 0), expect.closeTo(60, 0)])
  expect(label.left).toBeGreaterThan(2)
  expect(label.right).toBeLessThan(88)
  expect(label.lowest).toBeGreaterThan(2)
  for (const word of [
    'Neem oil 0.4 %',
    'Use by Fri 17 Jul, 17:40',
    'Not a drink',
    'by Ilse',
    'Boathouse chard',
    'Home mixes are not approved products',
  ])
    expect(label.text).toContain(word)

  await page.getByRole('link', { name: 'Back to the bottle' }).click()
  await page.getByRole('button', { name: 'Log this spray' }).click()
  await expect(page.getByText('Sat 18 Jul: look at the two leaves')).toBeVisible()
})

test('the shelf: put up, drawn from, made at home and taken back, on a phone too', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/shelf')
  await page.getByRole('button', { name: 'Put something on the shelf' }).click()
  await page.getByRole('button', { name: 'Put it up' }).click()
  await expect(page.getByText('Choose what it is from the list.')).toBeVisible()
  await page.getByRole('combobox', { name: 'What it is' }).click()
  await page.getByRole('option', { name: 'Kitchen oil (rapeseed or sunflower)' }).click()
  await page.getByLabel('Full, ml').fill('1000')
  await page.getByRole('button', { name: 'Put it up' }).click()
  await expect(page.getByRole('heading', { name: 'Kitchen oil' })).toBeVisible()

  await page.getByText('White stock (kitchen oil and soap)').click()
  await page.getByRole('button', { name: 'Made it: put it on the shelf' }).first().click()
  await expect(page.getByText('600 ml of 1000 ml')).toBeVisible()
  await expect(page.getByText('510 ml of 1000 ml')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('610 ml of 1000 ml')).toBeVisible()
  await expectNoSideScroll(page)
})

test('a dose is carried over from gallons, and nonsense is answered in words', async ({ page }) => {
  await page.goto('/bench')
  await page.getByText('Carry a dose over').click()
  await expect(page.getByText(/11\.72 ml in your tank, 7\.813 ml a litre/)).toBeVisible()
  await page.getByRole('textbox', { name: 'My tank' }).fill('0')
  await page.getByRole('textbox', { name: 'My tank' }).blur()
  await expect(page.getByText('tankAmount must be over 0.')).toBeVisible()
})

test('the units of the screen are those of the calculator', async ({ request }) => {
  const spoken = {
    doseAmount: 1,
    doseUnit: 'pinch',
    perAmount: 1,
    perUnit: 'l',
    tankAmount: 1,
    tankUnit: 'l',
  }
  const answer = await request.post('/api/calc/dilution', { data: spoken })
  expect(answer.status()).toBe(400)
  const known = /Known: (.*)\./.exec((await answer.json()).title)?.[1]?.split(', ') ?? []
  expect(known.length).toBe(20)
  const words = readFileSync(new URL('../../client/src/garden/unitWords.ts', import.meta.url), 'utf8')
  const told = [...words.matchAll(/^ {2}'?([a-z-]+)'?: tell/gm)].map((m) => m[1] ?? '')
  expect(told.sort()).toEqual(known.sort())
})

test('a recipe that was heard is read as it is typed, and put right for the sprayer', async ({ page }) => {
  await page.goto('/bench')
  await page.getByText('A recipe you heard').click()
  const told = page.getByLabel('What goes in, and how much water')
  await told.fill('what a lovely evening')
  await expect(page.getByText(/Nothing here could be read as a recipe/)).toBeVisible()
  await told.fill('2 tbsp of neem a litre, two drops of moon dust')
  await expect(page.getByText('Not like this:')).toBeVisible()
  await expect(page.getByText(/Oil floats on water/)).toBeVisible()
  await expect(page.getByText(/“two drops of moon dust”: Not known here/)).toBeVisible()
  await expect(page.getByText('Nearest that may go on')).toBeVisible()
  await expect(page.getByRole('cell', { name: '1 l in all' })).toBeVisible()
  await expectAccessible(page)

  // What is not known here is described, and judged by what it is like.
  await page.getByRole('combobox', { name: 'What is moon dust?' }).click()
  await page.getByRole('option', { name: 'Hot, as pepper' }).click()
  await expect(page.getByText(/Moon dust burns eyes and skin/)).toBeVisible()
  await expect(page.getByText(/Not known here/)).toHaveCount(0)
  await expectAccessible(page)

  await told.fill('200 ml neem oil, 100 ml castile soap, rest water. Use 10 ml of it per litre')
  await expect(page.getByText(/“Use 10 ml of it”: How much is it in all/)).toBeVisible()
  await expect(page.getByText('Not like this:')).toBeVisible()
  await told.fill('2 tbsp of neem a litre, two drops of moon dust')
  await expect(page.getByText('Nearest that may go on')).toBeVisible()

  // The bad one stays as a warning, the corrected one is mixed like any other.
  await page.getByLabel('Keep it under the name').fill('The burner')
  await page.getByRole('button', { name: 'Keep it as a warning' }).click()
  await expect(page.getByText('a warning: not to be mixed')).toBeVisible()
  await told.fill('2 tbsp of neem a litre')
  await page.getByLabel('Keep it under the name').fill('Ruth’s neem')
  await page.getByLabel('Heard from').fill('Ruth')
  await page.getByRole('button', { name: 'Keep the corrected one' }).click()
  await page.getByRole('button', { name: 'Mix Ruth’s neem' }).click()
  await expect(page.getByRole('heading', { name: 'Ruth’s neem' })).toBeVisible()
  await told.fill('5 ml neem oil, 2 ml castile soap, 1 litre of water')
  await expect(page.getByText('Not like this:')).toHaveCount(0)
  await expectAccessible(page)
})
