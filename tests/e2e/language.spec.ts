import { readFileSync, readdirSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { goInside, startOver } from './steps'

type Texts = { [code: string]: string | Texts }
const folder = new URL('../../languages/', import.meta.url)
const catalogue = new URL('../../catalogue/', import.meta.url)

const texts = (of: Texts): string[] =>
  Object.values(of).flatMap((t) =>
    typeof t === 'string' ? [t] : Array.isArray(t) ? (t as string[]) : texts(t),
  )
const read = (language: string) =>
  readdirSync(new URL(language, folder)).flatMap((file) =>
    texts(JSON.parse(readFileSync(new URL(`${language}/${file}`, folder), 'utf8')) as Texts),
  )
/** Words of four letters or more; holes are filled with something else. */
const words = (all: string[]) =>
  all.flatMap((t) => t.replace(/\{[^}]*\}/g, ' ').match(/\p{L}{4,}/gu) ?? []).map((w) => w.toLowerCase())

/** Words that English texts have, and those of another language have not. */
function englishOnly(other: string): Set<string> {
  const english = new Set(words(read('en')))
  // The catalogue is English: what the other language has words for is known by them.
  for (const kind of Object.values(
    JSON.parse(readFileSync(new URL(`${other}/catalogue.json`, folder), 'utf8')) as Record<string, Texts>,
  ))
    for (const word of words(Object.keys(kind))) english.add(word)
  for (const word of [...words(read(other)), ...own]) english.delete(word)
  return english
}

/** What the household called and wrote itself, in the demo; names of makers and formats. */
const own = words([
  readFileSync(new URL('../../demo/tansy-lock.yaml', import.meta.url), 'utf8'),
  'Mauvaise STARTTLS serve weather ADDRESS always never Europe London tablespoons neem squirt soap gallon water readings',
  'temperatureC rainMm Station with Caterpillar litre trigger bottle pump sprayer backpack Bicarbonate Castile soap Hydrogen peroxide Crown English',
])
expect(catalogue.pathname).toContain('catalogue')

const paths = [
  '/', '/walk', '/decide', '/before', '/picking', '/rota', '/bench', '/shelf', '/hours', '/check-backs', '/ledger', '/learned',
  '/almanac', '/weather', '/walk/sheet', '/walk/sheet/in', '/garden', '/garden/ways', '/garden/household', '/garden/app', '/more',
  '/trials', '/what-if', '/nowhere',
] // prettier-ignore

/** Everything that is read or read aloud. */
const shown = (page: Page) =>
  page.evaluate(() => {
    document.querySelectorAll('details').forEach((d) => (d.open = true))
    const aloud = [...document.querySelectorAll('[aria-label], [title], [placeholder], [alt]')].flatMap((e) =>
      ['aria-label', 'title', 'placeholder', 'alt'].map((a) => e.getAttribute(a) ?? ''),
    )
    const svg = [...document.querySelectorAll('svg text, svg title')].map((e) => e.textContent)
    return [document.title, ...document.body.innerText.split('\n'), ...aloud, ...svg]
  })

/** What stands on a screen that it should not, on a laptop and on a phone. */
async function scan(page: Page, moment: string, wrong: (text: string, path: string) => string[]) {
  const found = new Set<string>()
  for (const width of [1280, 390]) {
    await page.setViewportSize({ width, height: 844 })
    for (const path of paths) {
      await goInside(page, path)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      await expect(page.getByText(moment).filter({ visible: true })).toHaveCount(0)
      const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
      if (over > 0) found.add(`${path}: sticks out by ${over} px at ${width}`)
      for (const text of await shown(page))
        for (const what of wrong(text, path)) found.add(`${path}: ${what} in “${text.trim()}”`)
    }
  }
  return [...found]
}

for (const [locale, language, moment] of [
  ['de-AT', 'de', 'Einen Moment.'],
  ['es-MX', 'es', 'Un momento.'],
] as const)
  test.describe(`in ${locale}`, () => {
    test.use({ locale })

    test('a reader finds no english word on any screen, on a laptop and on a phone', async ({ page }) => {
      test.slow()
      await startOver(page.request)
      await page.goto('/')
      const english = englishOnly(language)
      expect(english.size).toBeGreaterThan(1500)
      const foreign = (text: string) =>
        words([text.replace(/“[^”]*”|«[^»]*»/g, '')]).filter((word) => english.has(word))
      expect(await scan(page, moment, foreign)).toEqual([])
    })
  })

test('another language is chosen under More, and the page speaks it from then on', async ({ browser }) => {
  const page = await (await browser.newContext({ locale: 'de-AT' })).newPage()
  await page.goto('/more')
  await expect(page.locator('html')).toHaveAttribute('lang', 'de')
  await page.getByRole('combobox', { name: 'Sprache dieses Geräts' }).click()
  await page.getByRole('option', { name: 'English' }).click()
  await expect(page.getByRole('heading', { name: 'More' })).toBeVisible()
  await expect(page.locator('html')).toHaveAttribute('lang', 'en')
  await goInside(page, '/decide')
  await expect(page.getByText('Powdery mildew').first()).toBeVisible()
  await goInside(page, '/more')
  await page.getByRole('combobox', { name: 'Language of this device' }).click()
  await page.getByRole('option', { name: 'As the browser' }).click()
  await expect(page.getByRole('heading', { name: 'Mehr' })).toBeVisible()
  await page.context().close()
})

test.describe('in the United States', () => {
  test.use({ locale: 'en-US' })

  /** A figure in a metric unit, or the name of an axis; the bench alone shows both. */
  const metric =
    /(?<![\p{L}\d.])\d[\d.,]* ?(?:°C|mm|m\/s|km\/h|l|ml|g|kg|m|cm|m²)(?![\p{L}\d²'’])|a litre|, (?:°C|mm|m\/s)(?!\p{L})/gu
  /** "16 Jul"; a month alone is no day. */
  const dayFirst = /\b\d{1,2} (?:Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec)/gu

  test('a household reads no metric unit and no day before its month on any screen, on a laptop and on a phone', async ({
    page,
  }) => {
    test.slow()
    await startOver(page.request)
    const [country] = (
      (await (await page.request.get('/api/catalogue/countries')).json()) as {
        code: string
        kitchen: string
        units: object
      }[]
    ).filter((c) => c.code === 'US')
    const { gardens } = (await (await page.request.get('/api/state')).json()) as { gardens: { id: string }[] }
    const kept = await page.request.put(`/api/gardens/${gardens[0]?.id}/settings`, {
      headers: { 'sec-fetch-site': 'same-origin' },
      data: { stance: 'watchAndTreat', kitchen: country?.kitchen, units: country?.units },
    })
    expect(kept.ok()).toBe(true)
    await page.goto('/')
    await expect(page.getByText('Thu Jul 16')).toBeVisible()
    // The device knows the household's order of days from here on.
    await page.reload()
    // The bench and the stocks show millilitres beside the spoons: alone, or behind what is measured.
    const beside = /^[\d.]+ (?:ml|l|g)$|\(1 l\)|with a syringe|, ml a litre$/
    const wrong = (text: string, path: string) =>
      /bench|shelf/.test(path) && beside.test(text.trim())
        ? []
        : [...(text.match(metric) ?? []), ...(text.match(dayFirst) ?? [])]
    expect(await scan(page, 'One moment.', wrong)).toEqual([])
    await startOver(page.request)
  })
})
