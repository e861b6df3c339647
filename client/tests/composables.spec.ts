import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { shallowRef } from 'vue'
import { page, Problem } from '@/api/client'
import { useGardenAnew, useGardenEdit } from '@/garden/useGarden'
import { useNews } from '@/garden/useNews'
import { useNames, useTargets } from '@/garden/useTargets'
import { canPasskey, usePasskeys } from '@/jobs/home/usePasskeys'
import { useOuting } from '@/jobs/outing/useOuting'
import { useMoves, type Round } from '@/jobs/rota/useRota'
import { useTowns } from '@/jobs/setup/useTowns'
import { keepAwake, useAwake } from '@/kit/useAwake'
import { usePaper } from '@/kit/usePaper'
import { router } from '@/router'
import { useDusk } from '@/shell/useDusk'
import { json, type Server } from './mounted'
import { at, plan, recorded, taking } from './recorded'
import { give, listening, using, usingGarden } from './used'

it('the garden is read again when a screen opens and it was read a while ago, and nothing that is fresh', async () => {
  const { asked, server } = listening()
  await usingGarden(useGardenAnew, server)
  const reads = (address: string) => asked.filter((a) => a === address).length
  const [of, home] = [reads(at), reads('/api/home')]
  await router.push('/more')
  await expect.poll(() => reads(at)).toBe(of + 1)
  // Who is in stays fresh for a minute.
  expect(reads('/api/home')).toBe(home)
})

describe('news from the garden', () => {
  class Line {
    static readonly all: Line[] = []
    closed = false
    private told?: (event: { data: string }) => void
    constructor(readonly address: string) {
      Line.all.push(this)
    }
    addEventListener(_: string, told: (event: { data: string }) => void) {
      this.told = told
    }
    tell = (data: string) => this.told?.({ data })
    close = () => (this.closed = true)
  }

  it('of others are read at once, and one’s own are not; the line ends with the screen', async () => {
    vi.stubGlobal('EventSource', Line)
    const { asked, server } = listening()
    const { screen } = await usingGarden(useNews, server)
    const [line] = Line.all
    expect(line?.address).toBe(`${at}/changes`)
    const reads = () => asked.filter((a) => a === at).length
    const before = reads()

    line?.tell(page)
    await flushPromises()
    expect(reads()).toBe(before)
    line?.tell('another page')
    await expect.poll(() => reads()).toBe(before + 1)

    screen.unmount()
    expect(line?.closed).toBe(true)
  })
})

describe('passkeys', () => {
  it('are not offered where the browser has none, nor at an address of numbers', () => {
    give(window, 'isSecureContext', true)
    expect(canPasskey()).toBe(false)
    give(window, 'PublicKeyCredential', { parseCreationOptionsFromJSON: () => ({}) })
    expect(canPasskey()).toBe(true)
    vi.stubGlobal('location', { hostname: '192.168.1.20' })
    expect(canPasskey()).toBe(false)
    vi.stubGlobal('location', { hostname: 'fd00::1' })
    expect(canPasskey()).toBe(false)
  })

  it('that the device or its owner refuses are told in words, and nothing is sent', async () => {
    give(window, 'PublicKeyCredential', { parseCreationOptionsFromJSON: () => ({}) })
    vi.stubGlobal('PublicKeyCredential', { parseCreationOptionsFromJSON: () => ({}) })
    give(navigator, 'credentials', {
      create: () => Promise.reject(new DOMException('The operation was aborted.', 'NotAllowedError')),
    })
    const { server, writes } = taking(() => json({ try: 'one', options: '{}' }))
    const { used } = await using(() => usePasskeys(), server)
    const refused = await used.add.mutateAsync('Wren').catch((e: unknown) => e)
    expect(refused).toBeInstanceOf(Problem)
    expect((refused as Problem).code).toBe('no-passkey')
    expect(writes.map((w) => w.path)).toEqual(['/api/home/passkeys/ask'])
  })
})

it('a town that was typed later is not pushed away by the answer to an earlier one', async () => {
  const waits = new Map<string, (answer: Response) => void>()
  const { used } = await using(
    useTowns,
    (request) => new Promise((go) => waits.set(new URL(request.url).searchParams.get('name') ?? '', go)),
  )
  const both = [used.find('Wei'), used.find('Weimar')]
  await expect.poll(() => waits.size).toBe(2)
  waits.get('Weimar')?.(json([{ name: 'Weimar' }]))
  await both[1]
  waits.get('Wei')?.(json([{ name: 'Weiden' }]))
  await both[0]
  expect(used.towns.value.map((t) => t.name)).toEqual(['Weimar'])

  const third = used.find('Weimarx')
  await expect.poll(() => waits.size).toBe(3)
  waits.get('Weimarx')?.(json({ title: 'Not now.' }, 503))
  await third
  expect([used.trouble.value, used.towns.value.length]).toEqual(['Not now.', 1])
})

describe('an edit', () => {
  const body = { name: 'Chapel' }
  const edit = () =>
    useGardenEdit((_, headers, input: typeof body) => {
      sent.push({ ...headers, ...input })
      return Promise.resolve(input)
    })
  const sent: object[] = []
  beforeEach(() => sent.splice(0))

  it('says what its form had seen, and writes over others only when somebody insists', async () => {
    const { it: form, of } = await usingGarden(edit)
    form.opened()
    const deed = String(of.garden.value?.lastDeed?.id ?? 0)
    await form.save(body)
    await form.insist(body)
    expect(sent).toEqual([
      { 'X-Seen': deed, ...body },
      { 'X-Seen': deed, 'X-Over': 'true', ...body },
    ])
  })

  it('says nothing of what it saw where the garden was not known when it opened', async () => {
    const { used: form } = await using(edit)
    await form.save(body)
    expect(sent).toEqual([body])
  })
})

it('what may be chosen as a trouble has one’s own among it, and no look-alike nor group', async () => {
  const targets = [
    { id: 'mildew', name: 'Powdery mildew', kind: 'disease', isGroup: false, noSpray: false },
    { id: 'drought', name: 'Drought', kind: 'lookAlike', isGroup: false, noSpray: true },
    { id: 'any-mite', name: 'Mites', kind: 'pest', isGroup: true, noSpray: false },
  ]
  const own = [
    { kindId: 'own:1', of: 'trouble', name: 'Ivy aphid', likeName: 'Aphid', retired: false },
    { kindId: 'own:2', of: 'trouble', name: 'Forgotten', likeName: 'Aphid', retired: true },
    { kindId: 'own:3', of: 'crop', name: 'Eggplant', likeName: 'Potato', retired: false },
  ]
  const server: Server = (request) =>
    request.url.endsWith('/catalogue/targets')
      ? Promise.resolve(json(targets))
      : request.url.endsWith('/own-kinds')
        ? Promise.resolve(json(own))
        : recorded(request)
  const { it: made } = await usingGarden(() => ({ of: useTargets(), names: useNames() }), server)
  await expect.poll(() => made.of.value).toHaveLength(2)
  expect(made.of.value.map((t) => t.value)).toEqual(['own:1', 'mildew'])
  expect(made.names.groups.value.map((t) => t.value)).toEqual(['any-mite'])
  // Called something, a plant may well be: what is no pest has a name too.
  expect(made.names.all.value.map((t) => t.value)).toEqual(['drought', 'own:1', 'mildew'])
})

describe('an outing', () => {
  const outing = plan.outings[0]
  const [first] = outing?.tanks ?? []
  const key = first?.rounds[0]?.key ?? ''
  const use = () => useOuting(() => outing, crypto.randomUUID())

  it('logs nothing that was not ticked off, and what was really used', async () => {
    if (!first) throw new Error('the demo has no outing')
    const { server, written } = taking()
    const { it: made } = await usingGarden(use, server)
    made.toggle('sprayed', key)
    made.toggle('sprayed', key)
    expect(made.done.value).toEqual([])
    made.toggle('sprayed', key)
    made.tank(first).used = first.litres + 0.25
    expect(await made.log()).toEqual({ sent: true })
    const { body } = await written('/plan/outings')
    expect(body).toMatchObject({
      tanks: [{ recipe: first.recipe, mixedLitres: first.litres + 0.25, usedLitres: first.litres + 0.25 }],
      taskIds: [],
      note: null,
    })
    expect(made.progress.value.sprayed).toEqual([])
  })

  it('keeps what was ticked off where it is refused, and its bottle keeps its id', async () => {
    if (!first) throw new Error('the demo has no outing')
    const { server } = taking(() => json({ title: 'The course runs.', code: 'mix-course-runs' }, 409))
    const { it: made } = await usingGarden(use, server)
    made.toggle('sprayed', key)
    const bottle = made.tank(first).batchId
    expect(await made.log()).toBeNull()
    expect(made.problem.value?.code).toBe('mix-course-runs')
    expect(made.progress.value.sprayed).toEqual([key])
    expect(made.tank(first).batchId).toBe(bottle)
  })
})

it('what a round would cost on other days is asked once one is picked up', async () => {
  const round = shallowRef<Round>()
  const { asked, server } = listening()
  await usingGarden(() => useMoves(round), server)
  const moves = () => asked.filter((a) => a.includes('/plan/moves'))
  expect(moves()).toEqual([])
  round.value = plan.outings[0]?.tanks[0]?.rounds[0]
  await expect.poll(() => moves()).toHaveLength(1)
  expect(moves()[0]).toContain(`planting=${round.value?.plantingId ?? 'none'}`)
})

it('the paper is set while a sheet is open, and not longer', async () => {
  const rules = () => [...document.head.querySelectorAll('style')].map((s) => s.textContent)
  const { screen } = await using(() => {
    usePaper('90mm 60mm', '4mm')
    return true
  })
  expect(rules()).toContain('@page { size: 90mm 60mm; margin: 4mm }')
  screen.unmount()
  expect(rules()).not.toContain('@page { size: 90mm 60mm; margin: 4mm }')
})

describe('a screen that stays on', () => {
  afterEach(() => (keepAwake.value = true))

  it('is asked for on a phone that may refuse, and not where somebody switched it off', async () => {
    const request = vi.fn(() => Promise.reject(new DOMException('low battery', 'NotAllowedError')))
    give(navigator, 'wakeLock', { request })
    await using(useAwake)
    await flushPromises()
    expect(request).toHaveBeenCalledWith('screen')
    keepAwake.value = false
    request.mockClear()
    await using(useAwake)
    await flushPromises()
    expect(request).not.toHaveBeenCalled()
  })
})

it('dusk is turned by hand, and light again', async () => {
  const { used } = await using(useDusk)
  const dark = () => document.documentElement.classList.contains('dusk')
  expect(dark()).toBe(false)
  used.turn()
  await expect.poll(() => dark()).toBe(true)
  used.turn()
  await expect.poll(() => dark()).toBe(false)
})
