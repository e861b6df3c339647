import { beforeEach, describe, expect, it } from 'vitest'
import { household } from '@/kit/household'
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

/** A set-up whose steps are looked at one by one, and whose garden is taken. */
function setUp(checked: (body: unknown) => Response = () => new Response(null, { status: 204 })) {
  const { server, sent } = entry('/api/gardens', () => json({}, 201))
  const both: Server = async (request) =>
    request.url.endsWith('/api/gardens/check') ? checked(await request.json()) : server(request)
  return { server: both, sent }
}

const refused = (errors: Record<string, string[]>) =>
  json({ title: Object.values(errors)[0]?.[0], code: 'invalid', errors }, 400)

describe('a fresh garden', () => {
  const linz = recordedAnswer<Schemas['TownAnswer'][]>('/api/catalogue/towns?name=linz')[0]

  it('takes position, zone, climate and what is measured from its town, and plants its first crop', async () => {
    const { server, sent } = setUp()
    const shown = await open('/set-up', server)
    await settled(shown)
    await fill('Name of the garden', 'Brick Lane')
    await fill(/^Town/, 'linz')
    const offered = await expect
      .poll(() => document.querySelectorAll('[role=option]').length)
      .toBeGreaterThan(0)
      .then(() => [...document.querySelectorAll<HTMLElement>('[role=option]')])
    expect(offered[0]?.textContent).toContain('Linz, Austria')
    offered[0]?.click()
    await expect.poll(() => seen(shown)).toContain(linz?.timeZoneId)
    await press('Next')
    await expect.poll(() => document.activeElement?.id).toBe('member')
    await fill('Your name', 'Ilse')
    await press('Next')
    await fill('Name of the bed', 'By the wall')
    await choose('Crop', 'Courgette')
    await press('Start the garden')
    await expect.poll(() => sent.length).toBe(1)
    expect(sent[0]).toMatchObject({
      name: 'Brick Lane',
      latitude: linz?.latitude,
      longitude: linz?.longitude,
      timeZoneId: linz?.timeZoneId,
      climate: linz?.climate,
      memberName: 'Ilse',
      firstPlace: { name: 'By the wall' },
      firstPlanting: {
        crop: 'courgette',
        placeId: (sent[0] as Schemas['NewGarden']).firstPlace.id,
        from: new Date().toLocaleDateString('sv-SE', { timeZone: linz?.timeZoneId }),
      },
    })
    expect(localStorage.getItem('mauvaise-setting-up')).toBeNull()
  })

  it('has no first crop where nothing grows yet', async () => {
    const { server, sent } = setUp()
    await settled(await open('/set-up', server))
    for (const button of ['Next', 'Next', 'Start the garden']) await press(button)
    await expect.poll(() => sent.length).toBe(1)
    expect((sent[0] as Schemas['NewGarden']).firstPlanting).toBeNull()
  })

  it('asks for the town at its own step, and not for what comes later', async () => {
    const asked: unknown[] = []
    const { server, sent } = setUp((body) => {
      asked.push(body)
      const { latitude, memberName } = body as Schemas['NewGarden']
      return refused({
        ...(latitude === 999 && { latitude: ['Latitude is wrong.'], longitude: ['Longitude is wrong.'] }),
        ...(memberName === '' && { memberName: ['Say who you are.'] }),
      })
    })
    const shown = await open('/set-up', server)
    await settled(shown)
    await press('Next')
    await expect.poll(() => seen(shown)).toContain('Choose the town or village nearby from the list')
    expect(seen(shown)).not.toMatch(/Latitude is wrong|Say who you are/)
    await expect.poll(() => document.activeElement?.id).toBe('town')
    await fill(/^Town/, 'linz')
    await expect.poll(() => document.querySelectorAll('[role=option]').length).toBeGreaterThan(0)
    // The first that is found is taken without a pointer.
    document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', { code: 'Tab', bubbles: true }))
    await expect.poll(() => seen(shown)).toContain(linz?.timeZoneId)
    await press('Next')
    await expect.poll(() => seen(shown)).toContain('Step 2 of 3')
    expect(seen(shown)).not.toContain('Say who you are')
    await press('Next')
    await expect.poll(() => seen(shown)).toContain('Say who you are')
    expect(asked).toHaveLength(3)
    expect(sent).toEqual([])
  })

  it('goes back to the step that an answer is about, with all that was said', async () => {
    const { server } = entry('/api/gardens', () => refused({ name: ['A garden needs a name.'] }))
    const shown = await open('/set-up', (request) =>
      request.url.endsWith('/check') ? Promise.resolve(new Response(null, { status: 204 })) : server(request),
    )
    await settled(shown)
    await press('Next')
    await fill('Your name', 'Ilse')
    await press('Next')
    await press('Start the garden')
    await expect.poll(() => shown.text()).toContain('A garden needs a name.')
    await press('Next')
    await expect.poll(() => control('input', 'Your name')).toBeTruthy()
    expect((control('input', 'Your name') as HTMLInputElement).value).toBe('Ilse')
  })

  it('is measured as another country measures, its first bed too', async () => {
    const { server, sent } = setUp()
    const shown = await open('/set-up', server)
    await settled(shown)
    await choose(/^Country/, 'United States')
    await press('Next')
    await press('Next')
    await expect.poll(() => seen(shown)).toMatch(/Length\s*ft/)
    await press('Start the garden')
    await expect.poll(() => sent.length).toBe(1)
    expect(sent[0]).toMatchObject({
      kitchen: 'us',
      units: { temperature: 'fahrenheit' },
      firstPlace: { lengthM: 4 },
    })
  })

  it('leaves what is measured as it was when it is given up', async () => {
    const { server } = setUp()
    await settled(await open('/set-up', server))
    const before = household.value
    await choose(/^Country/, 'United States')
    await expect.poll(() => household.value.scales.length.word).toBe('ft')
    await router.push('/more')
    await expect.poll(() => household.value).toBe(before)
  })

  it('tells towns of one name apart, and names a country that is in no list', async () => {
    const { server } = setUp()
    const shown = await open('/set-up', (request) =>
      request.url.includes('/towns')
        ? Promise.resolve(
            json([
              { ...linz, name: 'Valdivia', country: 'CL', near: null },
              { ...linz, name: 'Valdivia', country: 'CO', near: 'Medellín' },
            ]),
          )
        : server(request),
    )
    await settled(shown)
    await fill(/^Town/, 'valdivia')
    await expect
      .poll(() => [...document.querySelectorAll('[role=option]')].map((o) => o.textContent?.trim()))
      .toEqual(['Valdivia, Chile', 'Valdivia, Colombia, near Medellín'])
    document.querySelector<HTMLElement>('[role=option]')?.click()
    await expect.poll(() => seen(shown)).toContain('Elsewhere')
  })

  it('says that no town was found only once one was looked for', async () => {
    const { server } = setUp()
    const shown = await open('/set-up', (request) =>
      request.url.includes('/towns') ? Promise.resolve(json([])) : server(request),
    )
    await settled(shown)
    expect(document.body.textContent).not.toContain('No such town is known here')
    await fill(/^Town/, 'xyzzy')
    await expect.poll(() => document.body.textContent).toContain('No such town is known here')
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
