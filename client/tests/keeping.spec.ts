import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schemas } from '@/api/client'
import { dayAndClock } from '@/kit/format'
import CopiesCard from '@/jobs/archive/CopiesCard.vue'
import { button, fill, choose, json, nameOf, open, press, seen, settled, type Server } from './mounted'
import { garden, growing, recorded, recordedAnswer, taking } from './recorded'

beforeEach(() => {
  localStorage.clear()
  window.dispatchEvent(new StorageEvent('storage', { key: null, storageArea: localStorage }))
})

describe('copies of all data', () => {
  const kept = recordedAnswer<Schemas['CopiesAnswer']>('/api/backups')
  const [copy] = kept.copies
  const when = copy ? dayAndClock(copy.at, garden.timeZoneId) : ''
  const sound: Schemas['ExaminedAnswer'] = { sound: true, found: [{ sound: true, words: '812 counts.' }] }
  const hurt: Schemas['ExaminedAnswer'] = {
    sound: false,
    found: [{ sound: false, words: 'A check-back without its spray.' }],
  }
  /** The app as recorded, with answers to what is asked of its copies. */
  const answering = (by: Record<string, () => Response>): Server => {
    const { server } = taking(({ method, path }) => by[`${method} ${path}`]?.() ?? json({}, 404))
    return (request) => {
      const { pathname } = new URL(request.url)
      const answer = request.method === 'GET' ? by[`GET ${pathname}`] : undefined
      return answer ? Promise.resolve(answer()) : server(request)
    }
  }
  async function card(by: Record<string, () => Response>) {
    const screen = await open('/', answering(by), CopiesCard)
    document.querySelector('details')?.setAttribute('open', '')
    await expect.poll(() => screen.text()).toContain(when)
    return screen
  }

  it('are made by hand, and the list has the new one at once', async () => {
    const more = {
      ...kept,
      copies: [{ ...copy, name: 'by-hand.db', kind: 'byHand' as const }, ...kept.copies],
    }
    const screen = await card({ 'POST /api/backups': () => json(more) })
    await press('Make a copy now')
    await expect.poll(() => screen.text()).toMatch(/made by hand/)
  })

  it('are looked into before they are put back, and only a yes puts one back', async () => {
    const restored = vi.fn(() => json({ keptAs: 'before-restore.db' }))
    const screen = await card({
      [`GET /api/backups/${copy?.name ?? ''}`]: () => json(sound),
      [`POST /api/backups/${copy?.name ?? ''}/restore`]: restored,
    })
    await press(`Look into the copy of ${when}, of the day`)
    await expect.poll(() => screen.text()).toContain('812 counts.')
    await press('Put this copy back')
    expect(screen.text()).toContain(`Everything goes back to ${when}`)
    await press('Leave all as it is')
    expect(restored).not.toHaveBeenCalled()
    await press('Put this copy back')
    await press('Yes, put it back')
    await expect.poll(() => screen.text()).toContain('What was there is kept as before-restore.db.')
    expect(restored).toHaveBeenCalledTimes(1)
  })

  it('that can not be read say so, and offer nothing', async () => {
    const screen = await card({
      [`GET /api/backups/${copy?.name ?? ''}`]: () =>
        json({ title: 'This file is no data of Mauvaise.' }, 400),
    })
    await press(`Look into the copy of ${when}, of the day`)
    await expect.poll(() => screen.text()).toContain('This file is no data of Mauvaise.')
    expect(screen.text()).not.toContain('Put this copy back')
  })

  it('and the data are looked through, mended where nothing is lost, and told what is left', async () => {
    const screen = await card({
      'GET /api/doctor': () => json(hurt),
      'POST /api/doctor/mend': () =>
        json({ done: ['1 check-back without its spray taken away.'], now: sound }),
    })
    await press('Look the data through')
    await expect.poll(() => screen.text()).toContain('Something wants a look.')
    await press('Mend what loses nothing')
    await expect.poll(() => screen.text()).toContain('1 check-back without its spray taken away.')
    expect(screen.text()).toContain('All is sound.')
  })

  it('say where nothing mends by itself', async () => {
    const screen = await card({
      'GET /api/doctor': () => json(hurt),
      'POST /api/doctor/mend': () => json({ done: [], now: hurt }),
    })
    await press('Look the data through')
    await expect.poll(() => screen.text()).toContain('Something wants a look.')
    await press('Mend what loses nothing')
    await expect.poll(() => screen.text()).toMatch(/Nothing here mends by itself/)
  })
})

describe('what stands on the sheet', () => {
  const { plantingId } = growing('Chapel/courgette')
  const line = () => document.getElementById(`looked-${plantingId}`)?.closest('fieldset')
  const type = async (field: string, value: string) => {
    const input = document.getElementById(`${field}-${plantingId}`) as HTMLInputElement
    input.id = 'typed-here'
    input.setAttribute('aria-label', 'typed here')
    await fill('typed here', value)
    input.id = `${field}-${plantingId}`
    input.removeAttribute('aria-label')
  }

  it('is saved line by line, and a line without a number is left', async () => {
    const { server, writes } = taking()
    const screen = await open('/walk/sheet/in', server)
    await settled(screen)
    expect((button('Save these counts (0)') as HTMLButtonElement).disabled).toBe(true)
    await type('looked', '20')
    await type('affected', '3')
    await press('Save these counts (1)')
    await expect.poll(() => seen(screen)).toContain('1 count saved.')
    const counts = writes.filter((w) => w.path === '/observations')
    expect(counts).toHaveLength(1)
    expect(counts[0]?.body).toMatchObject({ plantingId, leavesLooked: 20, leavesAffected: 3, note: null })
    expect(nameOf(button(/^Save these counts/))).toBe('Save these counts (0)')
  })

  it('stays with the reason where it is refused, and is not counted twice when only its name was', async () => {
    let refusals = 1
    const { server, writes } = taking(({ path }) =>
      path.endsWith('/name') && refusals-- > 0 ? json({ title: 'No such trouble.' }, 400) : json({}),
    )
    const screen = await open('/walk/sheet/in', server)
    await settled(screen)
    await type('looked', '20')
    await type('affected', '3')
    const list = line()?.querySelector('[role=combobox]')
    list?.setAttribute('aria-label', 'this line')
    list?.removeAttribute('aria-labelledby')
    await choose('this line', /mildew/i)
    await press('Save these counts (1)')
    await expect.poll(() => seen(screen)).toContain('No such trouble.')
    expect(seen(screen)).toContain('The count is saved; only its name is missing.')
    expect(document.getElementById(`looked-${plantingId}`)).toHaveProperty('disabled', true)
    await press('Save these counts (1)')
    await expect.poll(() => seen(screen)).toContain('1 count saved.')
    expect(writes.filter((w) => w.path === '/observations')).toHaveLength(1)
    expect(writes.filter((w) => w.path.endsWith('/name'))).toHaveLength(2)
  })

  it('is on the device until it is saved', async () => {
    const first = await open('/walk/sheet/in', recorded)
    await settled(first)
    await type('looked', '12')
    first.unmount()
    await settled(await open('/walk/sheet/in', recorded))
    expect(nameOf(button(/^Save these counts/))).toBe('Save these counts (1)')
  })
})
