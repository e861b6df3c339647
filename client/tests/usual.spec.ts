import { expect, it } from 'vitest'
import { router } from '@/router'
import type { Schemas } from '@/api/client'
import { faults, nameOf, open, settled, type Server } from './mounted'
import {
  at,
  checkBacks,
  garden,
  ledger,
  missing,
  plan,
  recorded,
  recordedAnswer,
  recordedEmpty,
} from './recorded'

const round = recordedAnswer<Schemas['RoundAnswer']>(`${at}/round`)
const trials = recordedAnswer<Schemas['TrialAnswer'][]>(`${at}/trials`)

const place = garden.places.find((p) => p.name === 'Chapel')
const planting = round.stops[0]?.plantings[0]?.plantingId ?? ''
const look = ledger.entries.find((e) => e.kind === 'count')
/** Mixed on the bench before it was recorded. */
const batch = 'aaaaaaaa-0000-4000-8000-000000000001'
const spray = ledger.entries.find((e) => e.kind === 'spray')

const screens = [
  '/',
  '/more',
  '/walk',
  '/walk/sheet',
  '/walk/sheet/in',
  `/walk/${planting}`,
  `/suspects/${look?.id ?? ''}`,
  '/decide',
  '/before',
  '/picking',
  '/rota',
  `/outing/${encodeURIComponent(plan.outings[0]?.key ?? '')}`,
  '/bench',
  '/bench/card',
  `/label/${batch}`,
  `/spray/${batch}`,
  `/what-if?planting=${planting}&target=powdery-mildew&share=0.1`,
  '/shelf',
  '/what-if',
  '/hours',
  '/check-backs',
  `/check-backs/${checkBacks[0]?.id ?? ''}`,
  `/places/${place?.id ?? ''}`,
  `/places/${place?.id ?? ''}/story`,
  '/ledger',
  '/ledger/by-hand',
  `/ledger/sprays/${spray?.id ?? ''}`,
  '/trials',
  '/trials/new',
  `/trials/${trials[0]?.id ?? ''}`,
  `/trials/${trials[0]?.id ?? ''}/labels`,
  '/learned',
  '/almanac',
  '/weather',
  '/garden',
  '/garden/ways',
  '/garden/household',
  '/garden/app',
]

/** Everything that holds for every screen once it has its answers. */
async function expectSound(path: string, server: Server) {
  missing.clear()
  const screen = await open(path, server)
  await settled(screen)
  expect([...missing]).toEqual([])
  expect(faults).toEqual([])
  expect(screen.text()).not.toMatch(/undefined|NaN|\[object|Invalid Date/)
  expect(screen.find('[role=alert]').exists()).toBe(false)

  const levels = screen.findAll('h1, h2, h3, h4, h5').map((h) => Number(h.element.tagName[1]))
  expect(levels.filter((level) => level === 1)).toEqual([1])
  expect(levels.filter((level, i) => level > (levels[i - 1] ?? 0) + 1)).toEqual([])

  const controls = screen.findAll('button, a[href], input, select, textarea, [role=button], [role=combobox]')
  expect(controls.filter((c) => !nameOf(c.element)).map((c) => c.html())).toEqual([])
  const ids = screen.findAll('[id]').map((e) => e.element.id)
  expect(ids.filter((id, i) => ids.indexOf(id) !== i)).toEqual([])
}

it.each(screens)('%s stands in the usual garden', (path) => expectSound(path, recorded))

/** Screens that are not about one thing that is there. */
const general = screens.filter(
  (path) => !router.resolve(path).matched[0]?.path.includes(':') && !path.includes('?'),
)

it.each(general)('%s stands in a garden with one bed and nothing in it', (path) =>
  expectSound(path, recordedEmpty),
)

it('is every screen of the app but those before there is a garden', () => {
  const here = new Set(screens.map((path) => router.resolve(path).name))
  const elsewhere = ['set-up', 'join', 'sign-in', 'lost']
  expect(
    router
      .getRoutes()
      .map((r) => r.name)
      .filter((name) => !here.has(name) && !elsewhere.includes(String(name))),
  ).toEqual([])
})
