import { expect, test, type Page } from '@playwright/test'
import { countTaps, expectAccessible, startOver } from './steps'

/** Stories of what is beside the spray, each from a find or a want to its end. */
test.beforeEach(({ request }) => startOver(request))

/** Writes to the garden as the app does; what is only the beginning of a story is not clicked together. */
async function garden(page: Page) {
  const { gardens } = await (await page.request.get('/api/state')).json()
  const api = `/api/gardens/${gardens[0].id}`
  const post = async (path: string, data: object, method: 'post' | 'put' = 'post') => {
    const answer = await page.request[method](`${api}/${path}`, { data })
    expect(answer.ok(), await answer.text()).toBe(true)
  }
  const { places } = await (await page.request.get(api)).json()
  const placeId = (name: string): string => places.find((p: { name: string }) => p.name === name).id
  return {
    post,
    placeId,
    async plant(place: string, crop: string, more: object = {}) {
      const id = crypto.randomUUID()
      const planting = { id, placeId: place, crop, variety: null, from: '2026-06-25', stage: 'mature' }
      await post('plantings', { ...planting, inFlower: false, ...more })
      return id
    },
    async found(plantingId: string, looked: number, affected: number, target: string, more: object = {}) {
      const id = crypto.randomUUID()
      const look = { id, plantingId, leavesLooked: looked, leavesAffected: affected, ants: 'none' }
      await post('observations', { ...look, helpers: 0, mummies: 0, signs: [], ...more })
      if (affected > 0) await post(`observations/${id}/name`, { target }, 'put')
      return id
    },
  }
}

async function later(page: Page, hours: number) {
  expect((await page.request.post('/api/demo/step', { data: { hours } })).ok()).toBe(true)
}

test('ants and aphids on sweetcorn, until none climbs and the corn is clean', async ({ page }) => {
  const taps = await countTaps(page)
  const g = await garden(page)
  const corn = await g.plant(g.placeId('Boathouse'), 'sweetcorn', { from: '2026-05-20' })
  await g.found(corn, 30, 12, 'corn-aphid', { ants: 'many' })
  await page.goto(`/decide?planting=${corn}`)
  await expect(page.getByText(/Bait the ants, band the stems and wipe/).first()).toBeVisible()
  await page.getByRole('button', { name: /^Do this: .*Boathouse sweetcorn/ }).click()
  const taken = page.getByRole('region', { name: 'Taken on' })
  for (const work of ['Bait the ants', 'Band the stems', 'Wipe or squash by hand']) {
    await taken
      .getByRole('button', { name: `Done: ${work}, Boathouse sweetcorn` })
      .first()
      .click()
    await expect(taken.getByText(`${work}, Boathouse sweetcorn`).first()).toBeHidden()
  }
  expect(taps()).toBe(4)

  // Two weeks on the bait is spent, and ants were still seen: it is put out anew.
  await later(page, 15 * 24)
  await g.found(corn, 30, 2, 'corn-aphid', { ants: 'few' })
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Renew: bait the ants, Boathouse sweetcorn' })).toBeVisible()
  // A look that finds none climbing ends it.
  await later(page, 24)
  await g.found(corn, 30, 0, 'corn-aphid')
  await page.reload()
  await expect(page.getByRole('heading', { name: 'This evening' })).toBeVisible()
  await expect(page.getByRole('link', { name: /Renew: bait the ants/ })).toHaveCount(0)
})

test('leaves come off, and the feed that follows is mixed in the dose that was told', async ({ page }) => {
  const taps = await countTaps(page)
  await page.goto('/decide')
  await page.getByRole('button', { name: /^Do this: .*Chapel courgette/ }).click()
  const taken = page.getByRole('region', { name: 'Taken on' })
  await taken.getByRole('button', { name: 'Mix it: Feed after pruning, Chapel courgette' }).click()
  await expect(page).toHaveURL(/recipe=castings-feed&step=gentle/)
  await expect(page.getByText('Worm castings round the plant').first()).toBeVisible()
  await expect(page.getByRole('button', { name: /gentle/i, pressed: true })).toBeVisible()
  expect(taps()).toBe(2)
  await expectAccessible(page)
})

test('a potted melon with mites is carried out, hosed and brought back', async ({ page }) => {
  const taps = await countTaps(page)
  const g = await garden(page)
  const melon = await g.plant(g.placeId('Window rack'), 'melon', { count: 1 })
  await g.found(melon, 20, 8, 'spider-mite')
  await page.goto('/garden')
  const carry = async (to: string) => {
    await page.getByRole('button', { name: /^Carry elsewhere: Melon/ }).click()
    await page.getByRole('combobox', { name: 'It stands in' }).click()
    await page.getByRole('option', { name: to, exact: true }).click()
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('button', { name: 'Save' })).toBeHidden()
  }
  await carry('Herb tubs')
  await page.goto(`/decide?planting=${melon}`)
  await expect(page.getByText(/Herb tubs melon/).first()).toBeVisible()
  await page.getByText('Every step, and why').click()
  await page.getByRole('button', { name: 'Take on: Hose them off, Herb tubs melon' }).click()
  await page
    .getByRole('region', { name: 'Taken on' })
    .getByRole('button', { name: 'Done: Hose them off, Herb tubs melon' })
    .click()
  await later(page, 48)
  await g.found(melon, 20, 0, 'spider-mite')
  await page.goto('/garden')
  await carry('Window rack')
  expect(taps()).toBe(11)
  // Its story came along, and each place tells its own part.
  await page.goto(`/places/${g.placeId('Window rack')}/story`)
  await expect(page.getByText(/Found: 8 of 20 leaves/)).toBeVisible()
  await page.goto(`/places/${g.placeId('Herb tubs')}/story`)
  await expect(page.getByText(/hose them off/i).first()).toBeVisible()
})

test('root aphids in a tower go out through its water, and fresh water follows', async ({ page }) => {
  const taps = await countTaps(page)
  const g = await garden(page)
  const tower = crypto.randomUUID()
  await g.post('places', {
    ...{ id: tower, name: 'Tower', kind: 'indoorRack', lengthM: 1, widthM: 1, sunHours: 8, watering: 'drip' },
    ...{ reservoirLitres: 20, lampsFrom: '06:00:00', lampsTo: '16:00:00' },
  })
  const mint = await g.plant(tower, 'mint')
  await g.found(mint, 12, 5, 'root-aphid', { on: 'roots' })
  await page.goto(`/decide?planting=${mint}`)
  await expect(page.getByText(/5 of 12 roots/).first()).toBeVisible()
  await page.goto(`/bench?planting=${mint}&target=root-aphid&recipe=neem-drench`)
  await expect(
    page.getByText(/Into the reservoir of Tower, 20 l: let the pump run for 2 hours/),
  ).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: /^Mixed it: 20 l/ }).click()
  await page.getByRole('button', { name: 'Log this spray' }).click()
  await expect(page.getByRole('button', { name: 'Log this spray' })).toBeHidden()
  expect(taps()).toBe(2)
  await later(page, 7 * 24)
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Fresh water for the rack: Tower mint' })).toBeVisible()
})

test('a stock of four to one to sixteen is worked out, begun, strained, and stands on the bench', async ({
  page,
}) => {
  const taps = await countTaps(page)
  await page.goto('/shelf')
  await page.getByRole('button', { name: 'A stock of your own' }).click()
  const part = async (n: number, search: string, name: string) => {
    await page.getByRole('combobox', { name: `Part ${n}`, exact: true }).click()
    await page.getByRole('searchbox').last().fill(search)
    await page.getByRole('option', { name }).first().click()
    await expect(page.getByRole('searchbox')).toHaveCount(0)
  }
  await part(1, 'garlic', 'Garlic cloves')
  await expect(page.getByText(/Nothing in it is liquid/)).toBeVisible()
  await part(2, 'hot', 'Hot chillies')
  await page.getByLabel('Parts of water').fill('16')
  await page.getByLabel('Parts of water').blur()
  await page.getByRole('combobox', { name: 'How it is made' }).click()
  await page.getByRole('option', { name: 'Plants in cold water' }).click()
  await expect(page.getByText(/Cold water is taken to draw 70 % out of garlic/)).toBeVisible()
  await expect(page.getByText(/^Keeps 7 days in the fridge/)).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Keep it under the name').fill('Sixteen to one')
  await page.getByRole('button', { name: 'Keep the stock' }).click()
  await page.getByText('Sixteen to one', { exact: true }).click()
  await page.getByRole('button', { name: 'Begun: it stands 24 hours' }).click()
  await expect(page.getByText('It stands until Fri 17 Jul, 17:40.')).toBeVisible()
  expect(taps()).toBe(14)

  await later(page, 25)
  await page.goto('/')
  await page.getByRole('link', { name: /^Strain: sixteen to one/i }).click()
  await page.getByRole('button', { name: /^Strained: Sixteen to one/ }).click()
  await expect(page.getByRole('button', { name: /^Strained: Sixteen to one/ })).toBeHidden()
  await page.goto('/bench')
  await page.getByText('Another recipe, hour, dose, bottle or units').click()
  await page.getByRole('combobox', { name: 'Recipe' }).click()
  await page.getByRole('searchbox').last().fill('sixteen')
  await page.getByRole('option', { name: /Sixteen to one/ }).click()
  await expect(page.getByRole('heading', { name: 'Sixteen to one' })).toBeVisible()
})

test('two troubles over their lines are met by one filling and judged each by itself', async ({ page }) => {
  const taps = await countTaps(page)
  const g = await garden(page)
  const { gardens } = await (await page.request.get('/api/state')).json()
  const all = await (await page.request.get(`/api/gardens/${gardens[0].id}`)).json()
  const chapel = all.places.find((p: { name: string }) => p.name === 'Chapel')
  const courgette = chapel.plantings.find((p: { crop: string }) => p.crop === 'courgette').id
  const second = crypto.randomUUID()
  await g.found(courgette, 30, 15, 'melon-aphid', {
    also: [{ id: second, leavesAffected: 15, signs: [{ sign: 'white-dust', present: true }] }],
  })
  await g.post(`observations/${second}/name`, { target: 'powdery-mildew' }, 'put')
  await page.goto(`/bench?planting=${courgette}&target=melon-aphid&recipe=neem-with-soap`)
  const both = page.getByRole('region', { name: 'One filling for two' })
  await both.getByRole('button', { name: 'Also against powdery mildew' }).click()
  await expect(both.getByRole('button', { name: 'It is against both' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: /^Mixed it/ }).click()
  await expect(page.getByText(/against melon aphid, powdery mildew/i).first()).toBeVisible()
  await page.getByRole('button', { name: 'Log this spray' }).click()
  await expect(page.getByRole('button', { name: 'Log this spray' })).toBeHidden()
  expect(taps()).toBe(3)
  await page.goto('/check-backs')
  for (const trouble of ['melon aphid', 'powdery mildew'])
    await expect(page.getByText(new RegExp(`Chapel courgette.*${trouble}`)).first()).toBeVisible()
})

test('a line that was misheard is put right by hand, and a brew becomes a stock', async ({ page }) => {
  await page.goto('/bench')
  await page.getByText('A recipe you heard').click()
  const told = page.getByLabel('What goes in, and how much water')
  await told.fill('A good splosh of neem\n2 ml castile soap\n1 litre of water')
  await page.getByRole('button', { name: 'Put right: A good splosh of neem' }).click()
  await page.getByLabel('How much', { exact: true }).fill('5')
  await page.getByRole('combobox', { name: 'What it is' }).click()
  await page.getByRole('searchbox').last().fill('neem')
  await page.getByRole('option', { name: 'neem oil' }).click()
  await page.getByRole('button', { name: 'Take it so' }).click()
  await expect(told).toHaveValue('5 ml neem oil\n2 ml castile soap\n1 litre of water')
  await expect(page.getByRole('button', { name: 'Keep it', exact: true })).toBeVisible()
  await expect(page.getByText(/Wash what you pick/)).toBeVisible()
  await expectAccessible(page)

  await told.fill('Six onions in two litres of water, let it stand for 24 hours, strain and spray')
  await page.getByLabel('Keep it under the name').fill('Onion brew')
  await page.getByRole('button', { name: 'Keep it as a stock' }).click()
  await expect(told).toHaveValue('')
  await page.goto('/shelf')
  await page.getByText('Onion brew', { exact: true }).click()
  await expect(page.getByRole('button', { name: 'Begun: it stands 24 hours' })).toBeVisible()
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

  test('cards are counted by the week and send somebody to turn leaves over', async ({ page }) => {
    const taps = await countTaps(page)
    const g = await garden(page)
    await page.goto(`/places/${g.placeId('Polytunnel south')}`)
    await page.getByText('Measured', { exact: true }).click()
    await page.getByRole('combobox', { name: 'What' }).click()
    await page.getByRole('option', { name: 'Whiteflies on cards' }).click()
    await page.getByRole('button', { name: 'Keep the reading' }).click()
    await expect(page.getByText(/Say how many insects hung/)).toBeVisible()
    await page.getByLabel('Insects on the cards').fill('36')
    await page.getByLabel('On so many cards').fill('3')
    await page.getByLabel('In so many days').fill('3,5')
    await page.getByRole('button', { name: 'Keep the reading' }).click()
    await expect(page.getByText(/^24 a card and week on 16 Jul: too high/)).toBeVisible()
    // One of them wrong.
    expect(taps()).toBe(8)
    await expectAccessible(page)
    await page.goto('/')
    await page.getByRole('link', { name: 'Cards call for a look: Polytunnel south' }).click()
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  })

  test('fruits are counted where leaves tell little', async ({ page }) => {
    const taps = await countTaps(page)
    const g = await garden(page)
    const tomato = await g.plant(g.placeId('Sluice'), 'tomato')
    await page.goto(`/walk/${tomato}`)
    await page.getByRole('combobox', { name: 'What is counted' }).click()
    await page.getByRole('option', { name: 'Fruits or pods' }).click()
    await expect(
      page.getByText('One tap for each: fruits or pods. About twenty say a good deal.'),
    ).toBeVisible()
    for (let i = 0; i < 4; i++) await page.getByRole('button', { name: /^Five clean/ }).click()
    for (let i = 0; i < 3; i++) await page.getByRole('button', { name: /^Affected/ }).click()
    await page.getByRole('button', { name: 'Save, name it later' }).click()
    await expect(page.getByText('Noted Sluice tomato.')).toBeVisible()
    expect(taps()).toBe(10)
    await page.goto(`/decide?planting=${tomato}`)
    await expect(page.getByText(/3 of 23 fruits/).first()).toBeVisible()
    await expectAccessible(page)
  })
})
