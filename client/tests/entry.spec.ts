import { beforeEach, describe, expect, it } from 'vitest'
import { router } from '@/router'
import type { Schemas } from '@/api/client'
import { button, choose, control, fill, json, open, press, seen, settled, type Server } from './mounted'
import { recorded, recordedAnswer } from './recorded'

/** The way in: a fresh garden, a scanned code, a pass phrase. */

beforeEach(() => localStorage.clear())

/** Takes one kind of write, and answers the rest as recorded. */
function entry(path: string, answered: (body: unknown) => Response) {
  const sent: unknown[] = []
  const server: Server = async (request) => {
    if (request.method === 'GET' || new URL(request.url).pathname !== path) return recorded(request)
    const body: unknown = await request.json()
    sent.push(body)
    return answered(body)
  }
  return { server, sent }
}

describe('a fresh garden', () => {
  const linz = recordedAnswer<Schemas['TownAnswer'][]>('/api/catalogue/towns?name=linz')[0]

  it('takes position, zone, climate and what is measured from its town', async () => {
    const { server, sent } = entry('/api/gardens', () => json({}, 201))
    const shown = await open('/set-up', server)
    await settled(shown)
    await fill('Name of the garden', 'Brick Lane')
    await fill(/^Town/, 'linz')
    const offered = await expect
      .poll(() => document.querySelectorAll('[role=option]').length)
      .toBeGreaterThan(0)
      .then(() => [...document.querySelectorAll<HTMLElement>('[role=option]')])
    expect(offered[0]?.textContent).toContain(linz?.name)
    offered[0]?.click()
    await expect.poll(() => seen(shown)).toContain(linz?.timeZoneId)
    await press('Next')
    await fill('Your name', 'Ilse')
    await press('Next')
    await fill('Name of the bed', 'By the wall')
    await press(/^Begin|^Start|^Make/)
    await expect.poll(() => sent.length).toBe(1)
    expect(sent[0]).toMatchObject({
      name: 'Brick Lane',
      latitude: linz?.latitude,
      longitude: linz?.longitude,
      timeZoneId: linz?.timeZoneId,
      climate: linz?.climate,
      memberName: 'Ilse',
      firstPlace: { name: 'By the wall' },
    })
  })

  it('goes back to the step that an answer is about, with all that was said', async () => {
    const { server } = entry('/api/gardens', () =>
      json({ title: 'Give it a name.', code: 'invalid', errors: { name: ['A garden needs a name.'] } }, 400),
    )
    const shown = await open('/set-up', server)
    await settled(shown)
    await press('Next')
    await fill('Your name', 'Ilse')
    await press('Next')
    await press(/^Begin|^Start|^Make/)
    await expect.poll(() => shown.text()).toContain('A garden needs a name.')
    await press('Next')
    expect((control('input', 'Your name') as HTMLInputElement).value).toBe('Ilse')
  })

  it('is measured as another country measures', async () => {
    const { server, sent } = entry('/api/gardens', () => json({}, 201))
    await settled(await open('/set-up', server))
    await choose(/^Country/, 'United States')
    await press('Next')
    await press('Next')
    await press(/^Begin|^Start|^Make/)
    await expect.poll(() => sent.length).toBe(1)
    expect(sent[0]).toMatchObject({ kitchen: 'us', units: { temperature: 'fahrenheit' } })
  })
})

describe('a code that was scanned', () => {
  it('is sent once, with what the device is called, and leaves the address', async () => {
    window.history.replaceState(null, '', '/join#one-good-code')
    const { server, sent } = entry('/api/home/join', () =>
      json({ name: 'Bram', keeper: false, hasWayIn: true }),
    )
    const shown = await open('/join#one-good-code', server)
    await press('Join with this device')
    await expect.poll(() => shown.text()).toContain('Bram')
    expect(sent).toEqual([{ key: 'one-good-code', device: expect.stringMatching(/./) as string }])
    expect(window.location.hash).toBe('')
  })

  it('says what is wrong with it, and stays', async () => {
    window.history.replaceState(null, '', '/join#used-before')
    const { server } = entry('/api/home/join', () =>
      json({ title: 'This code was used before. Ask for a new one.', code: 'code-used' }, 409),
    )
    const shown = await open('/join#used-before', server)
    await press('Join with this device')
    await expect.poll(() => shown.text()).toContain('This code was used before')
    expect(button('Join with this device')).toBeTruthy()
  })

  it('is asked for where there is none', async () => {
    const shown = await open('/join', recorded)
    expect(shown.text()).toMatch(/for a code/)
    await press('Sign in with a pass phrase')
    await expect.poll(() => router.currentRoute.value.name).toBe('sign-in')
  })
})

describe('a pass phrase', () => {
  it('leads back to where one was', async () => {
    const { server, sent } = entry('/api/home/sign-in', () => json({ name: 'Ilse' }))
    await open('/sign-in?to=/rota', server)
    await fill('Name', 'Ilse')
    await fill('Pass phrase', 'nine old rakes')
    await press('Sign in')
    await expect.poll(() => router.currentRoute.value.path).toBe('/rota')
    expect(sent[0]).toMatchObject({ name: 'Ilse', passPhrase: 'nine old rakes' })
  })

  it('that is wrong is said, and the name stays', async () => {
    const { server } = entry('/api/home/sign-in', () =>
      json({ title: 'Name or pass phrase is not right.', code: 'not-right' }, 403),
    )
    const shown = await open('/sign-in', server)
    await fill('Name', 'Ilse')
    await fill('Pass phrase', 'wrong')
    await press('Sign in')
    await expect.poll(() => shown.text()).toContain('is not right')
    expect((control('input', 'Name') as HTMLInputElement).value).toBe('Ilse')
  })

  it('never leads to another site', async () => {
    const { server } = entry('/api/home/sign-in', () => json({ name: 'Ilse' }))
    await open('/sign-in?to=https://example.org/rota', server)
    await press('Sign in')
    await expect.poll(() => router.currentRoute.value.path).toBe('/')
  })
})
