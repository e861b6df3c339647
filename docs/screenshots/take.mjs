// Takes every picture of this folder anew from a fresh demo: ./mauvaise demo --port 5099, then node docs/screenshots/take.mjs
/* global process, URL, fetch, document, window, scrollY */
import { chromium } from 'playwright'

const at = process.env.MAUVAISE_AT ?? 'http://localhost:5099'
const folder = new URL('.', import.meta.url).pathname
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const json = async (path, method = 'GET') => {
  const answer = await fetch(at + path, { method, headers: { origin: at } })
  return answer.headers.get('content-type')?.includes('json') ? answer.json() : null
}
await json('/api/demo/reset', 'POST')
const garden = (await json('/api/state')).gardens[0].id
const places = (await json(`/api/gardens/${garden}`)).places
const place = (name) => places.find((p) => p.name === name)
const planting = (name, crop) => place(name).plantings.find((p) => p.crop === crop).id

const open = async (width, height, phone = false, locale = 'en-GB') =>
  (
    await browser.newContext({ viewport: { width, height }, hasTouch: phone, isMobile: phone, locale })
  ).newPage()
// The line of news stays open, so that the network is never idle: a screen is ready when its heading stands and nothing moves any more.
const settle = async (page) => {
  await page.locator('main h1').first().waitFor()
  await page.evaluate(() => document.fonts.ready)
  await page.waitForTimeout(2500)
}
const go = async (page, path) => {
  await page.goto(at + path)
  await settle(page)
}
const press = async (page, name, role = 'button') => {
  await page.getByRole(role, { name }).first().click()
  await settle(page)
}
const take = (page, name) => page.screenshot({ path: `${folder}${name}.png` })
const shot = async (page) => (await page.screenshot()).toString('base64')
/** Screens of phones beside each other, as one picture. */
const takeBeside = async (phones, name) => {
  const page = await open(phones.length * 390 + (phones.length - 1) * 16, 844)
  await page.setContent(
    `<body style="margin:0;display:flex;gap:16px;background:#fff">${phones.map((p) => `<img src="data:image/png;base64,${p}">`).join('')}</body>`,
  )
  await take(page, name)
}

let page = await open(1280, 800)
const chapel = planting('Chapel', 'courgette')
for (const [name, path] of [
  ['board', '/'],
  ['decide', '/decide'],
  ['rota', '/rota'],
  ['before', '/before'],
  ['what-if', `/what-if?planting=${chapel}&target=powdery-mildew`],
  ['bench', `/bench?planting=${chapel}&target=powdery-mildew`],
  ['shelf', '/shelf'],
  ['hours', `/hours?planting=${chapel}&material=neem-oil`],
  ['place', `/places/${place('Chapel').id}`],
  ['weather', '/weather'],
  ['ledger', '/ledger'],
  ['almanac', '/almanac'],
]) {
  await go(page, path)
  await take(page, name)
}
const trial = (await json(`/api/gardens/${garden}/trials`))?.[0]?.id
if (trial) {
  await go(page, `/trials/${trial}`)
  await take(page, 'trial')
}

await go(page, '/garden')
await page.getByText('The plan of the beds').click()
for (const [name, acrossM, downM] of [
  ['Sluice', 2, 2],
  ['Chapel', 5.5, 2.5],
  ['Towpath', 9.5, 2],
]) {
  const { id } = place(name)
  await fetch(`${at}/api/gardens/${garden}/places/${id}/spot`, {
    method: 'PUT',
    headers: { origin: at, 'content-type': 'application/json' },
    body: JSON.stringify({ acrossM, downM }),
  })
}
await page.getByRole('button', { name: /^Towpath, / }).waitFor()
await settle(page)
await take(page, 'garden')

await go(page, '/bench')
await page.getByText('A recipe you heard').click()
await page
  .getByLabel('What goes in, and how much water')
  .fill('a cup of cayenne and six onions in a gallon, and a good squirt of dish soap')
await page.getByText('How it was understood').waitFor()
await page.waitForTimeout(600)
await page.evaluate(() => {
  const heard = [...document.querySelectorAll('details')].find((d) =>
    d.textContent.includes('A recipe you heard'),
  )
  window.scrollTo(0, heard.getBoundingClientRect().top + scrollY - 70)
})
await page.getByLabel('Keep it under the name').fill('Cayenne and onions')
await take(page, 'heard')

await go(page, '/walk')
await press(page, /^Polytunnel north: aubergine/, 'link')
for (let i = 0; i < 3; i++) await press(page, /^Affected/)
await press(page, 'Small insects')
await press(page, 'Save and name it')
await page.getByText(/What is it/).waitFor()
await take(page, 'suspects')

await json('/api/demo/reset', 'POST')
page = await open(390, 844, true)
await go(page, '/walk')
const round = await shot(page)
await press(page, /^Chapel: courgette/, 'link')
for (let i = 0; i < 2; i++) await press(page, /^Affected/)
for (let i = 0; i < 6; i++) await press(page, /^Clean/)
await takeBeside([round, await shot(page)], 'walk-phone')
const outing = (await json(`/api/gardens/${garden}/plan`)).outings[0]
// The same outing in three households, side by side: English and metric, English in America, German.
const countries = await json('/api/catalogue/countries')
const phones = []
for (const [locale, code] of [
  ['en-GB', 'AT'],
  ['en-US', 'US'],
  ['de-AT', 'AT'],
]) {
  const { kitchen, units } = countries.find((c) => c.code === code)
  await fetch(`${at}/api/gardens/${garden}/settings`, {
    method: 'PUT',
    headers: { origin: at, 'content-type': 'application/json' },
    body: JSON.stringify({ stance: 'watchAndTreat', kitchen, units }),
  })
  const phone = await open(390, 844, true, locale)
  // The device knows the household's order of days from the second time on.
  for (let i = 0; i < 2; i++) await go(phone, `/outing/${encodeURIComponent(outing.key)}`)
  phones.push(await shot(phone))
}
await takeBeside(phones, 'outing-phone')
await go(page, '/')
await press(page, /^Check back: Polytunnel north aubergine/, 'link')
const checkBack = await shot(page)
await go(page, `/bench?planting=${chapel}&target=powdery-mildew`)
await press(page, /^Mixed it/)
await page.waitForTimeout(500)
await takeBeside([await shot(page), checkBack], 'spray-phone')
await json('/api/demo/reset', 'POST')
await browser.close()
