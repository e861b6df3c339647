import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { type Component, defineComponent, h, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { useGarden } from '@/garden/useGarden'
import CarryPlanting from '@/jobs/beds/CarryPlanting.vue'
import ChangePlanting from '@/jobs/beds/ChangePlanting.vue'
import NewPlanting from '@/jobs/beds/NewPlanting.vue'
import ShakeTimer from '@/jobs/bench/ShakeTimer.vue'
import TaskList from '@/jobs/decide/TaskList.vue'
import OwnStockForm from '@/jobs/shelf/OwnStockForm.vue'
import ProductForm from '@/jobs/shelf/ProductForm.vue'
import TrialCounting from '@/jobs/trials/TrialCounting.vue'
import { keptPhotos } from '@/jobs/walk/keptPhotos'
import PhotoPicker from '@/jobs/walk/PhotoPicker.vue'
import { button, choose, control, fill, json, open, press, seen, type Server } from './mounted'
import { at, garden, growing, recordedAnswer, taking } from './recorded'

/** A form by itself, before a server, once the garden is known. */
async function form(component: Component, props: Record<string, unknown>, server: Server) {
  const done = vi.fn()
  const whole = defineComponent({
    setup() {
      const { garden: known } = useGarden()
      return () => (known.value ? h(component, { ...props, onDone: done }) : h('p', 'One moment.'))
    },
  })
  const screen = await open('/', server, whole)
  await expect.poll(() => seen(screen)).not.toMatch(/One moment/)
  await flushPromises()
  return { screen, done }
}

const { placeId, plantingId } = growing('Chapel/courgette')
const planting = garden.places.find((p) => p.id === placeId)?.plantings.find((p) => p.id === plantingId)
const refused = (field: string, words: string) => () =>
  json({ title: words, code: 'refused', errors: { [field]: [words] } }, 400)
const changedMeanwhile = json({ title: 'Ilse changed it meanwhile.', code: 'changed-meanwhile' }, 409)
beforeEach(() => {
  localStorage.clear()
  window.dispatchEvent(new StorageEvent('storage', { key: null, storageArea: localStorage }))
})

describe('a product of one’s own', () => {
  const { materials } = recordedAnswer<Schemas['ShelfAnswer']>(`${at}/shelf`)

  it('is kept with what its label says, a comma in its dose', async () => {
    const { server, written } = taking()
    const { done } = await form(ProductForm, { materials }, server)
    await fill('Name on the label', 'Leaf Guard')
    await choose('What it is', 'Neem oil')
    await fill('Lowest dose', '2,5')
    await fill('Highest dose', '4')
    await fill('Times a season at most', '3')
    await press('Keep the label')
    const { path, body } = await written(/^\/products\//)
    expect(path).toMatch(/^\/products\/[0-9a-f-]{36}$/)
    expect(body).toMatchObject({
      name: 'Leaf Guard',
      like: 'neem-oil',
      worksOn: [],
      doseLow: 2.5,
      doseHigh: 4,
      maxTimes: 3,
      daysBetween: null,
      per: 'litre',
      retired: false,
    })
    await expect.poll(() => done).toHaveBeenCalled()
  })

  it('that is dusted is dosed by area in grams, and does not ask how it is made up to a litre', async () => {
    const { server, written } = taking()
    const { screen } = await form(ProductForm, { materials }, server)
    await fill('Name on the label', 'Snail Bar')
    await choose('What it is', 'Something else')
    await choose('How it is given', /^Bait/)
    expect(seen(screen)).not.toMatch(/making up to a litre/)
    expect(control('[role=combobox]', 'Its dose is for').textContent).toMatch(/square metre/)
    await press('Keep the label')
    const { body } = await written(/^\/products\//)
    expect(body).toMatchObject({ form: 'bait', per: 'squareMetre', unit: 'g', like: null, addTo: false })
  })

  it('stays open with all that was typed where it is refused, the sentence at its field', async () => {
    const { server } = taking(refused('maxTimes', 'At most 50 times a season.'))
    const { screen, done } = await form(ProductForm, { materials }, server)
    await fill('Name on the label', 'Leaf Guard')
    await fill('Times a season at most', '99')
    await press('Keep the label')
    await expect.poll(() => seen(screen)).toContain('At most 50 times a season.')
    expect((control('input', 'Name on the label') as HTMLInputElement).value).toBe('Leaf Guard')
    expect(done).not.toHaveBeenCalled()
  })
})

describe('a planting', () => {
  it('is planted today, young, and not counted, until somebody says otherwise', async () => {
    const { server, written } = taking()
    const { done } = await form(NewPlanting, { placeId }, server)
    await choose('Crop', 'Kale')
    await press('Plant it')
    const { body } = await written('/plantings')
    expect(body).toMatchObject({
      placeId,
      crop: 'kale',
      variety: null,
      from: garden.localNow.slice(0, 10),
      count: null,
      stage: 'young',
      inFlower: false,
    })
    await expect.poll(() => done).toHaveBeenCalled()
  })

  it('that was written wrong is put right in every part', async () => {
    const { server, written } = taking()
    await form(ChangePlanting, { planting, placeId }, server)
    await fill('Variety', 'Striato')
    await fill('Plants', '7')
    await choose('In', 'Towpath')
    await press('Save')
    const { method, path, body } = await written(/facts$/)
    expect([method, path]).toEqual(['PUT', `/plantings/${plantingId}/facts`])
    expect(body).toMatchObject({
      crop: 'courgette',
      variety: 'Striato',
      count: 7,
      placeId: garden.places.find((p) => p.name === 'Towpath')?.id,
    })
  })

  it('that somebody else changed meanwhile is written over only when that is said', async () => {
    let asked = 0
    const { server, writes } = taking((w) =>
      w.path.endsWith('/facts') && asked++ === 0 ? changedMeanwhile.clone() : json({}),
    )
    const { screen, done } = await form(ChangePlanting, { planting, placeId }, server)
    await fill('Plants', '9')
    await press('Save')
    await expect.poll(() => seen(screen)).toContain('Ilse changed it meanwhile.')
    expect(done).not.toHaveBeenCalled()
    await press('Write mine over it')
    await expect.poll(() => done).toHaveBeenCalled()
    expect(writes.filter((w) => w.path.endsWith('/facts'))).toHaveLength(2)
  })

  it('that never was is taken away', async () => {
    const { server, writes } = taking(() => new Response(null, { status: 204 }))
    const { done } = await form(ChangePlanting, { planting, placeId }, server)
    await press('It never was: take it away')
    await expect.poll(() => done).toHaveBeenCalled()
    expect(writes.map((w) => [w.method, w.path])).toEqual([['DELETE', `/plantings/${plantingId}`]])
  })

  it('is carried to another place on a day, and kept apart there until one', async () => {
    const { server, written } = taking(() => new Response(null, { status: 204 }))
    await form(CarryPlanting, { planting, placeId }, server)
    await choose('It stands in', 'Towpath')
    await fill('Carried on', '2026-07-15')
    await fill('Kept apart until', '2026-07-30')
    await press('Save')
    const { body } = await written(`/plantings/${plantingId}/place`)
    expect(body).toMatchObject({
      placeId: garden.places.find((p) => p.name === 'Towpath')?.id,
      on: '2026-07-15',
      apartUntil: '2026-07-30',
    })
  })
})

describe('a jar that is shaken', () => {
  const emulsifier = {
    soap: 'castile-soap',
    oil: 'neem-oil',
    water: 'hard',
    soaps: [{ id: 'castile-soap', name: 'Castile soap' }],
    startAt: 5,
    mlPerLitre: 5,
    found: false,
  }
  const watch = async (seconds: number) => {
    await vi.advanceTimersByTimeAsync(seconds * 1000)
    await flushPromises()
  }

  it('is watched for its time, asked about, and what held is kept', async () => {
    const { server, written } = taking()
    const { screen } = await form(ShakeTimer, { emulsifier }, server)
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] })
    try {
      await press('Shaken: start watching')
      await watch(44)
      expect(seen(screen)).not.toMatch(/still even/)
      await watch(1)
      expect(screen.text()).toMatch(/still even/)
    } finally {
      vi.useRealTimers()
    }
    await press('Even: keep this amount')
    const { body } = await written('/emulsions')
    expect(body).toMatchObject({ oil: 'neem-oil', soap: 'castile-soap', soapMlPerLitre: 5, heldSeconds: 45 })
  })

  it('that parts is shaken again with a millilitre more', async () => {
    const { server, written } = taking()
    await form(ShakeTimer, { emulsifier }, server)
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] })
    try {
      await press('Shaken: start watching')
      await press('It parted already')
      await press('Shaken: start watching')
      await watch(45)
    } finally {
      vi.useRealTimers()
    }
    await press('Even: keep this amount')
    expect((await written('/emulsions')).body).toMatchObject({ soapMlPerLitre: 6 })
  })
})

describe('a count of a trial', () => {
  const whole = recordedAnswer<Schemas['TrialAnswer']>(`${at}/trials/9cbb1d8f-2b0f-d8a9-f9fc-ccbc2e651544`)
  const trial = { ...whole, units: whole.units.slice(0, 3), closedAt: null }
  const unit = (n: number) => document.querySelectorAll<HTMLElement>('ol > li')[n]
  const tapUnit = async (n: number, which: 0 | 1) => {
    unit(n)?.querySelectorAll('button')[which]?.click()
    await flushPromises()
  }

  it('holds each leaf that was tapped, and none that was tapped away', async () => {
    const { server, written } = taking()
    await form(TrialCounting, { trial }, server)
    await tapUnit(0, 0)
    await tapUnit(1, 1)
    await tapUnit(2, 1)
    await tapUnit(2, 1)
    await press('Save this count (2 of 3)')
    const { body } = await written(/counts$/)
    const { counts } = body as { counts: Schemas['NewTrialCount'][] }
    expect(counts.map((c) => [c.unit, c.leavesLooked, c.leavesAffected, c.alive, c.injury])).toEqual([
      [trial.units[0]?.number, 1, 0, null, 'unsaid'],
      [trial.units[1]?.number, 1, 1, null, 'unsaid'],
    ])
    expect(new Set(counts.map((c) => c.id)).size).toBe(2)
  })

  it('is on the device until it is sent, and stays where it is refused', async () => {
    const { server } = taking(refused('counts', 'This trial is closed.'))
    const first = await form(TrialCounting, { trial }, server)
    await tapUnit(0, 1)
    await press('Save this count (1 of 3)')
    await expect.poll(() => seen(first.screen)).toContain('This trial is closed.')
    first.screen.unmount()
    await form(TrialCounting, { trial }, server)
    expect(button('Save this count (1 of 3)')).toBeDefined()
  })
})

describe('what was taken on', () => {
  const task = {
    id: '11111111-1111-4111-8111-111111111111',
    plantingId,
    name: 'Cut the sick leaves',
    step: 'prune',
    where: 'Chapel courgette',
    how: 'With clean scissors.',
    dueOn: '2026-07-16',
    due: true,
    countsLeaves: true,
    helperKinds: [],
    helpers: null,
    comesOn: null,
    worn: null,
    recipe: null,
    dose: null,
  } satisfies Partial<Schemas['TaskAnswer']>

  it('is ticked off with the leaves that came off', async () => {
    const { server, written } = taking(() => new Response(null, { status: 204 }))
    await form(TaskList, { tasks: [task] }, server)
    await press(/Leaves taken off: one more/)
    await press(/Leaves taken off: one more/)
    await press(/^Done: Cut the sick leaves/)
    expect(await written(`/tasks/${task.id}/done`)).toMatchObject({ body: { leaves: 2, ordered: null } })
  })

  it('of helpers is ordered with kind, number and day', async () => {
    const { server, written } = taking(() => new Response(null, { status: 204 }))
    const order = {
      ...task,
      name: 'Order helpers',
      countsLeaves: false,
      comesOn: '2026-07-21',
      helperKinds: [
        { id: 'predatory-mite', name: 'Predatory mites', number: 600 },
        { id: 'lacewing', name: 'Lacewings', number: 120 },
      ],
    }
    const { screen } = await form(TaskList, { tasks: [order] }, server)
    expect(seen(screen)).toMatch(/Tue 21 Jul/)
    await choose(/^Which/, 'Lacewings')
    await press(/^Ordered: Order helpers/)
    expect((await written(`/tasks/${task.id}/done`)).body).toMatchObject({
      leaves: null,
      ordered: { helper: 'lacewing', number: 120, comesOn: '2026-07-21' },
    })
  })

  it('is dropped without a word of what was done', async () => {
    const { server, writes } = taking(() => new Response(null, { status: 204 }))
    await form(TaskList, { tasks: [task] }, server)
    await press(/^Drop/)
    await expect.poll(() => writes.map((w) => w.path)).toEqual([`/tasks/${task.id}/drop`])
  })

  it('says where nothing was', async () => {
    const { screen } = await form(TaskList, { tasks: [] }, taking().server)
    expect(seen(screen)).toMatch(/Nothing yet/)
  })
})

describe('a stock by proportions of one’s own', () => {
  const { materials } = recordedAnswer<Schemas['ShelfAnswer']>(`${at}/shelf`)

  const worked: Schemas['StockCalcAnswer'] = {
    amounts: ['357 ml neem oil', '143 ml castile soap'],
    drawn: [],
    doseText: '7 ml a litre',
    doses: null,
    keepsDays: 30,
    keepsText: 'It keeps for a month.',
    strengths: [],
    faults: [],
  }
  const stock = async (faults: Schemas['StockFault'][] = []) => {
    const { server, writes, written } = taking(({ path }) =>
      json(path === '/api/calc/stock' ? { ...worked, faults } : {}),
    )
    const made = await form(OwnStockForm, { materials }, server)
    await choose('Part 1', 'Neem oil')
    await choose('Part 2', 'Castile soap')
    await fill('Parts, 1', '2,5')
    await expect
      .poll(() => writes.at(-1)?.body)
      .toMatchObject({
        parts: [
          { material: 'neem-oil', parts: 2.5 },
          { material: 'castile-soap', parts: 1 },
        ],
        byWeight: false,
      })
    return { ...made, written }
  }

  it('is worked out while it is typed, and kept under its name', async () => {
    const { screen, done, written } = await stock()
    await expect.poll(() => seen(screen)).toContain('357 ml neem oil, 143 ml castile soap')
    await fill(/^Keep it under the name/, 'Green stock')
    await press('Keep the stock')
    const { body } = await written(/^\/own-stocks\//)
    expect(body).toMatchObject({ name: 'Green stock', parts: [{ parts: 2.5 }, { parts: 1 }], steepHours: 0 })
    await expect.poll(() => done).toHaveBeenCalled()
  })

  it('that would part is told, and can not be kept', async () => {
    const { screen } = await stock([{ code: 'parts', sentence: 'The oil would part from it.' }])
    await expect.poll(() => seen(screen)).toContain('The oil would part from it.')
    expect((button('Keep the stock') as HTMLButtonElement).disabled).toBe(true)
  })
})

describe('photos of a look', () => {
  const picker = async () => {
    const photos = ref<string[]>([])
    const holder = () =>
      h(PhotoPicker, {
        modelValue: photos.value,
        'onUpdate:modelValue': (v: string[]) => (photos.value = v),
      })
    const { screen } = await form(holder, {}, taking().server)
    const add = async (...files: File[]) => {
      const input = control('input', 'Photos') as HTMLInputElement
      Object.defineProperty(input, 'files', { configurable: true, value: files })
      Object.defineProperty(input, 'value', { configurable: true, writable: true, value: '' })
      input.dispatchEvent(new Event('change'))
      await flushPromises()
    }
    return { photos, screen, add }
  }

  it('are pictures that can be read: others are named, also those of no kind at all', async () => {
    const { photos, screen, add } = await picker()
    await add(new File(['x'], 'leaf.heic', { type: 'image/heic' }))
    expect(seen(screen)).toContain('leaf.heic')
    await add(new File(['x'], 'leaf', { type: '' }))
    expect(seen(screen)).toMatch(/leaf is no JPEG/)
    expect(photos.value).toEqual([])
  })

  it('are told of where the browser has no room for them, and the count goes on', async () => {
    vi.spyOn(keptPhotos, 'keep').mockRejectedValue(new DOMException('No room.', 'QuotaExceededError'))
    const { photos, screen, add } = await picker()
    await add(new File(['x'], 'leaf.jpg', { type: 'image/jpeg' }))
    await expect.poll(() => seen(screen)).toMatch(/keeps no picture/)
    expect(photos.value).toEqual([])
  })
})
