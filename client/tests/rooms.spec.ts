import { beforeEach, describe, expect, it } from 'vitest'
import { router } from '@/router'
import { choose, control, fill, json, open, press, seen, settled, tick } from './mounted'
import { garden, growing, plan, recorded, taking } from './recorded'

/** The rooms of the garden and the books on it: what is changed, what is sent, and what a refusal leaves in the form. */

beforeEach(() => localStorage.clear())

const chapel = growing('Chapel/courgette')

describe('a place', () => {
  const changed = {
    title: 'Somebody changed this meanwhile.',
    code: 'changed-meanwhile',
    errors: { areaM2: ['Bram made it 9 m².'] },
    status: 409,
  }

  it('is measured anew', async () => {
    const { server, written } = taking()
    await settled(await open('/garden', server))
    await press('Change Chapel')
    await fill('Area', '8,25')
    await press('Save the place')
    expect(await written(`/places/${chapel.placeId}`)).toMatchObject({
      method: 'PUT',
      body: { name: 'Chapel', areaM2: 8.25, kind: 'openBed' },
    })
  })

  it('that somebody else changed meanwhile may be written over, or left', async () => {
    const { server, writes } = taking(() => json(changed, 409))
    const shown = await open('/garden', server)
    await settled(shown)
    await press('Change Chapel')
    await fill('Area', '7')
    await press('Save the place')
    await expect.poll(() => shown.text()).toContain('Bram made it 9 m².')
    expect((control('input', 'Area') as HTMLInputElement).value).toBe('7')
    await press('Write mine over it')
    await expect.poll(() => writes.length).toBe(2)
    await press('Keep what is there')
    expect(shown.text()).not.toContain('Bram made it')
  })
})

describe('the plan of the beds', () => {
  type Garden = typeof garden
  /** The garden with some of its places on the plan. */
  const lying = (spots: Record<string, Garden['places'][number]['spot']>): Garden => ({
    ...garden,
    places: garden.places.map((p) => ({ ...p, spot: spots[p.name] ?? null })),
  })
  const withPlan = (spots: Parameters<typeof lying>[0] = {}) => {
    const { server, written, writes } = taking()
    const open = (request: Request) =>
      request.method === 'GET' && new URL(request.url).pathname.endsWith(`/gardens/${garden.id}`)
        ? Promise.resolve(json(lying(spots)))
        : server(request)
    return { server: open, written, writes }
  }
  const side = (name: string) => Math.sqrt(garden.places.find((p) => p.name === name)?.areaM2 ?? NaN)
  const half = (m: number) => Math.round(m * 2) / 2
  const bed = (name: string) =>
    [...document.querySelectorAll('.plan [role=button]')].find((b) =>
      b.getAttribute('aria-label')?.startsWith(name),
    )

  it('begins at its top', async () => {
    const { server, written } = withPlan()
    await settled(await open('/garden', server))
    expect(document.querySelector('.plan')).toBeNull()
    await press('Chapel')
    expect((await written(/\/spot$/)).body).toMatchObject({
      acrossM: half(side('Chapel') / 2 + 1),
      downM: half(side('Chapel') / 2 + 1),
    })
  })

  it('takes the next bed a metre below what lies there', async () => {
    const { server, written } = withPlan({ Chapel: { acrossM: 3, downM: 4 } })
    await settled(await open('/garden', server))
    await press('Towpath')
    expect((await written(/\/spot$/)).body).toMatchObject({
      acrossM: half(side('Towpath') / 2 + 1),
      downM: half(4 + side('Chapel') / 2 + 1 + side('Towpath') / 2),
    })
  })

  it('reaches as far as the farthest bed, with room to move', async () => {
    const { server } = withPlan({ Chapel: { acrossM: 20, downM: 1 }, Towpath: { acrossM: 1, downM: 30 } })
    await settled(await open('/garden', server))
    const [, , width, height] = (document.querySelector('.plan')?.getAttribute('viewBox') ?? '')
      .split(' ')
      .map(Number)
    expect(width).toBeCloseTo(20 + side('Chapel') / 2 + 4)
    expect(height).toBeCloseTo(30 + side('Towpath') / 2 + 2)
  })

  it('moves a bed by half a metre with an arrow, and never off its edge', async () => {
    const { server, writes } = withPlan({ Chapel: { acrossM: 3, downM: 0 } })
    await settled(await open('/garden', server))
    for (const key of ['ArrowLeft', 'ArrowUp']) {
      bed('Chapel')?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
      bed('Chapel')?.dispatchEvent(new KeyboardEvent('keyup', { key, bubbles: true }))
      await expect.poll(() => writes.length).toBe(key === 'ArrowLeft' ? 1 : 2)
    }
    expect(writes.map((w) => w.body)).toMatchObject([
      { acrossM: 2.5, downM: 0 },
      { acrossM: 3, downM: 0 },
    ])
  })

  it('says under the plan why a bed could not be put there', async () => {
    const refused = taking(() => json({ title: 'That is far outside of the garden.' }, 400))
    const shown = await open('/garden', refused.server)
    await settled(shown)
    await press('Chapel')
    await expect.poll(() => shown.text()).toContain('That is far outside of the garden.')
    expect(document.querySelector('.plan')).toBeNull()
  })
})

describe('a planting', () => {
  it('is cleared with one tap, by whoever holds the screen', async () => {
    const { server, written } = taking()
    await settled(await open('/garden', server))
    await press('Squash is cleared')
    const write = await written(/plantings\//)
    expect(JSON.stringify(write.body)).toContain(garden.members[0]?.id ?? '?')
  })

  it('is found among many by a part of its name', async () => {
    const shown = await open('/garden', recorded)
    await settled(shown)
    await fill('Find', 'auberg')
    await expect.poll(() => seen(shown)).not.toContain('Squash Crown')
    expect(seen(shown)).toContain('Polytunnel north')
  })
})

describe('how we garden', () => {
  it('changes the stance with one tap', async () => {
    const { server, written } = taking()
    await settled(await open('/garden/ways', server))
    await tick(/^Last resort/)
    expect((await written('/settings')).body).toMatchObject({ stance: 'lastResort' })
  })

  it('takes a trouble of one’s own by what it is most like', async () => {
    const { server, written } = taking()
    await settled(await open('/garden/ways', server))
    await press('A trouble')
    await fill('Your name for it', 'the orange fly')
    await choose('Most like', /^powdery mildew/i)
    await press('Add it')
    expect((await written(/^\/own-kinds\//)).body).toMatchObject({
      of: 'trouble',
      name: 'the orange fly',
      like: 'powdery-mildew',
    })
  })
})

describe('the ledger', () => {
  it('is asked for what one place holds', async () => {
    const asked: string[] = []
    const shown = await open('/ledger', (request) => {
      asked.push(request.url)
      return recorded(request)
    })
    await settled(shown)
    await press(/^Chapel: /)
    await expect.poll(() => asked.some((url) => url.includes(chapel.placeId))).toBe(true)
  })

  it('logs a spray by hand with a comma in its litres', async () => {
    const { server, written } = taking()
    await settled(await open('/ledger/by-hand', server))
    await choose('What', 'Castile soap')
    await choose(/^Where/, 'Chapel: courgette')
    await fill('How much spray', '1,5')
    await press('Log this spray')
    expect((await written(/applications|sprays/)).body).toMatchObject({
      plantingIds: [chapel.plantingId],
      size: 1.5,
      recipe: 'castile-soap',
    })
  })
})

describe('picking', () => {
  it('is written with its weight', async () => {
    const { server, written } = taking()
    await settled(await open('/picking', server))
    await press('Pick: Chapel courgette')
    await fill(/^How much/, '1,2')
    await press('Log it')
    expect((await written(/harvests/)).body).toMatchObject({ plantingId: chapel.plantingId })
  })
})

describe('work before trouble', () => {
  it('is done in all places at once', async () => {
    const { server, written } = taking()
    await settled(await open('/before', server))
    await press('Done in all 4: Sow flowers for helpers')
    const { body } = await written('/prevention')
    expect(JSON.stringify(body).match(/"plantingId/g)).toHaveLength(4)
  })
})

describe('a trial', () => {
  it('is not begun without a name, and says which field', async () => {
    const { server } = taking(() =>
      json({ title: 'A trial needs a name.', code: 'invalid', errors: { name: ['Give it a name.'] } }, 400),
    )
    const shown = await open('/trials/new', server)
    await settled(shown)
    await choose('Against', /black bean aphid/i)
    await choose('Side B', 'Castile soap')
    await press('Draw the lot')
    await expect.poll(() => shown.text()).toContain('Give it a name.')
    expect(router.currentRoute.value.name).toBe('new-trial')
  })
})

describe('the weather of a day', () => {
  it('is entered by hand, degrees with a comma', async () => {
    const { server, written } = taking()
    await settled(await open('/weather', server))
    await press('Enter the weather of Wed 15 Jul')
    await fill(/^Rain/, '4,5')
    await press(/^Save/)
    const write = await written(/weather\/hand/)
    expect(write.path).toContain('2026-07-15')
    expect(write.body).toMatchObject({ rainMm: 4.5 })
  })
})

describe('the rota', () => {
  it('says what the fortnight holds, and starts its first outing', async () => {
    const shown = await open('/rota', recorded)
    await settled(shown)
    expect(seen(shown)).toMatch(/4 outings, 7 tanks/)
    await press(/^Start this outing/)
    await expect.poll(() => router.currentRoute.value.params.outingKey).toBe(plan.outings[0]?.key)
  })
})
