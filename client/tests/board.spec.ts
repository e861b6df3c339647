import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { router } from '@/router'
import App from '@/App.vue'
import { control, had, json, key, open, press, settled } from './mounted'
import { at, recorded, recordedAnswer } from './recorded'
import type { Schemas } from '@/api/client'

/** What the Board tells without a pointer. */
const board = recordedAnswer<Schemas['BoardAnswer']>(`${at}/board`)

afterEach(() => window.dispatchEvent(new Event('afterprint')))
beforeEach(() => {
  localStorage.clear()
  vi.stubGlobal(
    'EventSource',
    class extends EventTarget {
      close() {}
    },
  )
})

async function hours() {
  await settled(await open('/', recorded, App))
  // Nothing is scrolled to here; what is printed is drawn all the same.
  window.dispatchEvent(new Event('beforeprint'))
  const hours = await had(() => control('[role=slider]', 'Read the hours'))
  const said = () => hours.getAttribute('aria-valuetext') ?? ''
  return { hours, said }
}

describe('the hours of the Board', () => {
  it('are one stop, and read one by one and day by day', async () => {
    const { hours: stop, said } = await hours()
    expect(said()).toBe('Left and right read an hour, page up and down a day.')
    stop.focus()
    await expect.poll(said).toMatch(/^Thu 16 Jul, 17:\d\d: \d+ °C, \d+ %, wind [\d.]+ m\/s/)
    await key('ArrowRight', stop)
    await expect.poll(said).toMatch(/^Thu 16 Jul, 18:\d\d: .*, a good hour$/)
    await key('PageDown', stop)
    await expect.poll(said).toMatch(/^Fri 17 Jul, 18:/)
    await key('ArrowLeft', stop)
    await expect.poll(said).toMatch(/^Fri 17 Jul, 17:/)
    stop.blur()
    await expect.poll(said).not.toMatch(/Jul/)
  })

  it('end where the Board does', async () => {
    const { hours: stop, said } = await hours()
    stop.focus()
    await key('End', stop)
    const last = said()
    await key('PageDown', stop)
    expect(said()).toBe(last)
    await key('Home', stop)
    expect(Number(stop.getAttribute('aria-valuenow'))).toBe(0)
    await key('ArrowLeft', stop)
    expect(Number(stop.getAttribute('aria-valuenow'))).toBe(0)
  })

  it('leave other keys to the Board, and Enter on its heading opens the chosen place', async () => {
    const { hours: stop } = await hours()
    stop.focus()
    await key('ArrowDown', stop)
    await key('Enter', stop)
    expect(router.currentRoute.value.name).toBe('board')
    await key('Enter', document.querySelector('h1') ?? document.body)
    await expect.poll(() => router.currentRoute.value.params.placeId).toBe(board.rows[1]?.placeId)
  })
})

describe('a garden of more places than fit a screen', () => {
  const [first] = board.rows
  const row = (i: number, marked: boolean) => ({
    ...first,
    placeId: `00000000-0000-4000-8000-0000000000${i + 10}`,
    name: `Bed ${i + 1}`,
    bands: [],
    flags: [],
    dots: marked ? first?.dots.slice(0, 1) : [],
  })
  const names = () => [...document.querySelectorAll('.labels strong')].map((e) => e.textContent)
  const withRows = async (count: number, marked: (i: number) => boolean) => {
    const rows = Array.from({ length: count }, (_, i) => row(i, marked(i)))
    await settled(
      await open(
        '/',
        (request) =>
          request.url.endsWith('/board') ? Promise.resolve(json({ ...board, rows })) : recorded(request),
        App,
      ),
    )
    window.dispatchEvent(new Event('beforeprint'))
    await expect.poll(() => names().length).toBeGreaterThan(0)
  }

  it('folds places with nothing to show, in their order, and opens them again', async () => {
    // Every other bed has something to show: fifteen of thirty.
    await withRows(30, (i) => i % 2 === 1)
    expect(names()).toEqual(Array.from({ length: 15 }, (_, i) => `Bed ${2 * i + 2}`))
    await press('Nothing to show in 15 more places')
    expect(names()).toEqual(Array.from({ length: 30 }, (_, i) => `Bed ${i + 1}`))
    await press('Fold places with nothing to show')
    expect(names()).toHaveLength(15)
    // What the keys choose is what is shown.
    await key('ArrowDown')
    await key('Enter')
    await expect.poll(() => router.currentRoute.value.params.placeId).toBe(row(3, true).placeId)
  })

  it('shows a screenful of them all the same', async () => {
    await withRows(20, (i) => i === 19)
    expect(names()).toEqual([...Array.from({ length: 11 }, (_, i) => `Bed ${i + 1}`), 'Bed 20'])
  })

  it.each([1, 12])('folds nothing where there are %i', async (count) => {
    await withRows(count, () => false)
    expect(names()).toHaveLength(count)
    expect(document.body.textContent).not.toContain('Nothing to show in')
  })
})
