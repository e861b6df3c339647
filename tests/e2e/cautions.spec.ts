import { expect, test, type Page } from '@playwright/test'
import { goInside, plantings, startOver } from './steps'

const general =
  'Home mixes are not approved products. In some countries and on some shared land only registered products may be used on food crops.'

/** A caution, the bench on which it has to stand, and whether the mix can be saved all the same. */
const cautions: { what: string; at: string; planting?: string; says: string | RegExp; saves: boolean }[] = [
  { what: 'the general line', at: 'recipe=milk&patch=true', says: general, saves: true },
  {
    what: 'the ceiling',
    at: 'recipe=neem-with-soap&dose=13',
    says: 'Neem oil, 13 ml a litre: 9 % over its ceiling; 12 ml a litre is the most.',
    saves: false,
  },
  {
    what: 'an undiluted concentrate',
    at: 'recipe=neem-with-soap&dose=999',
    says: 'An undiluted concentrate is never sprayed',
    saves: false,
  },
  {
    what: 'peroxide over 12 %',
    at: 'recipe=peroxide&bottle=35&patch=true',
    says: 'A bottle of 35 % is refused: it burns skin and eyes and feeds fire. Buy 3 %.',
    saves: false,
  },
  {
    what: 'peroxide of 3 to 12 %',
    at: 'recipe=peroxide&bottle=6&patch=true',
    says: 'Gloves and goggles from 3 % up',
    saves: true,
  },
  {
    what: 'what may never meet',
    at: 'recipe=bicarbonate-plain&add=peroxide&patch=true',
    says: 'Bicarbonate and hydrogen peroxide may not meet in one tank',
    saves: false,
  },
  {
    what: 'chilli and garlic',
    at: 'recipe=garlic-chilli-spray&patch=true',
    says: 'Gloves, and no hand near the face. Lid and a cloth on the blender.',
    saves: true,
  },
  {
    what: 'borax',
    at: 'recipe=ant-bait',
    says: 'Closed container with small holes, out of reach of children and pets.',
    saves: true,
  },
  {
    what: 'boron in the soil',
    at: 'recipe=ant-bait',
    says: 'boron harms plants. Some places do not permit it.',
    saves: true,
  },
  {
    what: 'dust',
    at: 'recipe=earth-dust',
    planting: 'Winding Hole: kale',
    says: 'Mask, still air, wash hands. Not on flowers',
    saves: true,
  },
  { what: 'dust on flowers', at: 'recipe=earth-dust', says: 'dust on a flower kills bees', saves: false },
  {
    what: 'alcohol',
    at: 'recipe=alcohol-wipe',
    planting: 'Winding Hole: kale',
    says: 'Flammable: no spark near it, air the room, for single spots only.',
    saves: true,
  },
  {
    what: 'essential oils',
    at: 'recipe=peppermint-with-soap&patch=true',
    says: "Keep from cats, aquaria and ponds; some people's skin reacts.",
    saves: true,
  },
  {
    what: 'neem',
    at: 'recipe=neem-with-soap',
    says: 'Not for use by people who are pregnant or by small children without advice. Wash hands.',
    saves: true,
  },
  {
    what: 'bees',
    at: 'recipe=neem-with-soap',
    says: 'Courgette in flower: only when the bees are home, and not on open flowers.',
    saves: true,
  },
  {
    what: 'the harvest',
    at: 'recipe=neem-with-soap',
    says: 'Pick a day later at the earliest; wash the harvest.',
    saves: true,
  },
  {
    what: 'indoors',
    at: 'recipe=castile-soap&patch=true',
    planting: 'Window rack: lettuce',
    says: 'Indoors: air the room, cover the reservoir, lamps off until the leaves are dry.',
    saves: true,
  },
  {
    what: 'a hopeless disease',
    at: 'recipe=neem-with-soap&target=late-blight',
    planting: 'Lower Gate: potato',
    says: /No kitchen spray against late blight\./,
    saves: false,
  },
  {
    what: 'a pond',
    at: 'recipe=castile-soap&patch=true',
    planting: 'Sluice: broad-bean',
    says: 'A pond lies 6 m away: only while the wind blows away from it',
    saves: true,
  },
  {
    what: 'a pond that is too near',
    at: 'recipe=neem-with-soap',
    planting: 'Sluice: broad-bean',
    says: 'the pond is 6 m away and neem oil keeps 10 m from water',
    saves: false,
  },
  {
    what: 'heat, tender crops, seedlings',
    at: 'recipe=insecticidal-soap&step=strong&patch=true',
    planting: 'Window rack: pak-choi',
    says: 'Pak choi scorches easily from insecticidal soap: one step down, two leaves first.',
    saves: false,
  },
]

// One page for all: each caution is an address of the same bench.
let page: Page
let ids: Record<string, string>

test.beforeAll(async ({ browser }) => {
  page = await browser.newPage()
  await startOver(page.request)
  ids = await plantings(page)
  await page.goto('/bench')
})

test.afterAll(() => page.close())

for (const c of cautions) {
  test(`the bench tells of ${c.what}`, async () => {
    await goInside(page, `/bench?planting=${ids[c.planting ?? 'Chapel: courgette']}&${c.at}`)
    await expect(page.getByText(c.says).first()).toBeVisible()
    await expect(page.getByRole('button', { name: /^Mixed it/ })).toBeEnabled({ enabled: c.saves })
  })
}
