import { beforeEach, describe, expect, it } from 'vitest'
import { router } from '@/router'
import type { Schemas } from '@/api/client'
import { button, control, faults, fill, json, key, nameOf, open, press, seen, settled, tick } from './mounted'
import { checkBacks, decide, garden, growing, ledger, plan, recorded, taking } from './recorded'

/** The jobs of an evening on the recorded garden: what is shown, what is sent, and what a refusal leaves standing. */

beforeEach(() => localStorage.clear())

const mint = growing('Herb tubs/mint').plantingId
const refusal = { title: 'The cellar is flooded.', code: 'flooded', status: 409 }

describe('a count', () => {
  const screen = `/walk/${mint}`

  it('is made by thumb or by key, and sent with its round', async () => {
    const { server, written } = taking()
    await settled(await open(screen, server))
    await press('Five clean')
    await press(/^Clean/)
    await press(/^Affected/)
    await key('s')
    await key('d')
    await key('a')
    await press('Orange pustules')
    await press('Save, name it later')
    const walk = await written(/^\/walks\//)
    expect(await written('/observations')).toMatchObject({
      method: 'POST',
      path: '/observations',
      body: {
        plantingId: mint,
        leavesLooked: 8,
        leavesAffected: 1,
        signs: [{ sign: 'orange-pustules', present: true }],
        memberId: garden.members[0]?.id,
        severityPercent: null,
        walkId: walk.path.split('/').at(-1),
      },
    })
    expect(faults).toEqual([])
  })

  it('goes on to its suspects where something was found', async () => {
    const { server, written } = taking()
    await settled(await open(screen, server))
    await press(/^Affected/)
    await press('Save and name it')
    const { id } = (await written('/observations')).body as Schemas['NewObservation']
    await expect.poll(() => router.currentRoute.value.params.observationId).toBe(id)
  })

  it('goes on to the next planting, whatever the server has told since', async () => {
    const { server } = taking()
    await settled(await open(screen, server))
    await press('Five clean')
    await press('Save: all clean')
    await expect.poll(() => router.currentRoute.value.params.plantingId).not.toBe(mint)
    expect(router.currentRoute.value.name).toBe('count')
  })

  it('keeps letters that are typed into the note out of the count', async () => {
    await settled(await open(screen, recorded))
    await key('s', control('textarea', 'Note'))
    expect(nameOf(button(/^Affected/))).toMatch(/0$/)
  })

  it('stays when it is refused, and says why', async () => {
    const { server } = taking(({ path }) =>
      path === '/observations'
        ? json({ ...refusal, errors: { leavesLooked: ['Nobody counts so many.'] } }, 400)
        : json({}),
    )
    const shown = await open(screen, server)
    await settled(shown)
    await press('Five clean')
    await press('Save: all clean')
    await expect.poll(() => shown.text()).toContain('Nobody counts so many.')
    expect(nameOf(button(/^Clean/))).toMatch(/5$/)
    expect(router.currentRoute.value.name).toBe('count')
  })

  it('is still there after the page was closed', async () => {
    const first = await open(screen, recorded)
    await settled(first)
    await press('Five clean')
    await press(/^Affected/)
    first.unmount()
    await settled(await open(screen, recorded))
    expect([nameOf(button(/^Clean/)), nameOf(button(/^Affected/))]).toEqual([
      expect.stringMatching(/5$/),
      expect.stringMatching(/1$/),
    ])
  })

  it('says so where nothing grows any more', async () => {
    const shown = await open('/walk/99999999-9999-4999-8999-999999999999', recorded)
    await settled(shown)
    expect(seen(shown)).toMatch(/not growing now/)
  })
})

describe('suspects', () => {
  const look = ledger.entries.find((e) => e.kind === 'count')?.id ?? ''
  const screen = `/suspects/${look}`

  it('send an answer to the question', async () => {
    const { server, written } = taking()
    await settled(await open(screen, server))
    await press('Yes')
    expect(await written(`/observations/${look}/answers`)).toEqual({
      method: 'POST',
      path: `/observations/${look}/answers`,
      body: { sign: 'white-dust', present: true, memberId: garden.members[0]?.id },
    })
  })

  it('ask for the next question where nobody is sure, and write nothing', async () => {
    const { server, writes } = taking()
    let asked = ''
    await settled(
      await open(screen, (request) => {
        if (request.url.includes('skip=white-dust')) asked = request.url
        return server(request)
      }),
    )
    await press('Not sure')
    await expect.poll(() => asked).toContain('skip=white-dust')
    expect(writes).toEqual([])
  })

  it('are named, and the bench opens with the name', async () => {
    const { server, written } = taking()
    await settled(await open(screen, server))
    await press('Call it Septoria leaf spot and mix for it')
    await expect.poll(() => router.currentRoute.value.name).toBe('bench')
    expect(await written(`/observations/${look}/name`)).toMatchObject({ body: { target: 'septoria' } })
    expect(router.currentRoute.value.query.target).toBe('septoria')
  })
})

describe('Decide', () => {
  const first = decide.ladders[0] as Schemas['LadderAnswer']
  const proposed = first.steps.filter((s) => s.choice === 'do' && !s.taken)

  it('takes on what is proposed against the most urgent, as one deed', async () => {
    const { server, written } = taking()
    await settled(await open('/decide', server))
    await press(`Do this: ${first.where}, ${first.name}`)
    const body = (await written('/tasks/many')).body as Schemas['ManySteps']
    expect(body.tasks.map((t) => t.step)).toEqual(
      proposed.filter((s) => !s.course && s.rung !== 'spray').map((s) => s.code),
    )
    expect(body.courses.map((c) => [c.plantingId, c.target, c.recipe])).toEqual(
      proposed.filter((s) => s.course).map((s) => [first.plantingId, first.target, s.recipe]),
    )
  })

  it('passes all of it by with one no', async () => {
    const { server, written } = taking()
    await settled(await open('/decide', server))
    await press(`Not now: ${first.where}, ${first.name}`)
    const body = (await written('/tasks/many')).body as Schemas['ManySteps']
    expect(body.courses).toEqual([])
    expect(body.tasks.every((t) => t.pass)).toBe(true)
    expect(body.tasks.length).toBeGreaterThan(0)
  })

  it('opens a trouble beside the list, and its address opens it again', async () => {
    await settled(await open('/decide', recorded))
    const second = decide.ladders[1] as Schemas['LadderAnswer']
    await press(new RegExp(`^${second.where}`))
    await expect.poll(() => router.currentRoute.value.query.trouble).toBe(second.observationId)
    expect(control('h2', `${second.where}: ${second.name}`)).toBeTruthy()
  })

  it('says what was refused, and keeps the list', async () => {
    const { server } = taking(() => json(refusal, 409))
    const shown = await open('/decide', server)
    await settled(shown)
    await press(`Do this: ${first.where}, ${first.name}`)
    await expect.poll(() => shown.text()).toContain(refusal.title)
    expect(button(`Do this: ${first.where}, ${first.name}`)).toBeTruthy()
  })
})

describe('an outing', () => {
  const outing = plan.outings[0] as Schemas['OutingAnswer']
  const screen = `/outing/${encodeURIComponent(outing.key)}`
  const [tank] = outing.tanks
  const [round] = tank?.rounds ?? []

  it('waits until something is ticked off', async () => {
    await settled(await open(screen, recorded))
    expect((button('Tick off what is done') as HTMLButtonElement).disabled).toBe(true)
  })

  it('logs what was ticked off alone, with what was really used', async () => {
    const { server, written } = taking()
    await settled(await open(screen, server))
    await tick(new RegExp(`^${round?.where ?? ''}`))
    await press(`${tank?.recipeName ?? ''}: less`)
    await fill('Note, if there is one', 'a light wind at the end')
    await press(/^Log this outing/)
    const body = (await written('/plan/outings')).body as Schemas['OutingDone']
    expect(body.tanks).toHaveLength(1)
    expect(body.tanks[0]).toMatchObject({
      recipe: tank?.recipe,
      plantingIds: [round?.plantingId],
      mixedLitres: tank?.litres,
    })
    expect(body.tanks[0]?.usedLitres).toBeCloseTo((tank?.litres ?? 0) - 0.1)
    expect(body.note).toBe('a light wind at the end')
  })

  it('is ticked off further after the page was closed', async () => {
    const shown = await open(screen, recorded)
    await settled(shown)
    await tick(new RegExp(`^${round?.where ?? ''}`))
    shown.unmount()
    await settled(await open(screen, recorded))
    expect((control('input', new RegExp(`^${round?.where ?? ''}`)) as HTMLInputElement).checked).toBe(true)
  })

  it('that is not planned any more shows the way to the rota', async () => {
    const shown = await open('/outing/gone', recorded)
    await settled(shown)
    expect(shown.find('a[href="/rota"]').exists()).toBe(true)
  })
})

describe('a check-back', () => {
  const visit = checkBacks[0] as Schemas['CheckBackAnswer']
  const screen = `/check-backs/${visit.id}`

  it('is judged by what moves, dead ones apart', async () => {
    const { server, written } = taking()
    await settled(await open(screen, server))
    await press('Five clean')
    await press(/^They move/)
    await press(/^Only dead/)
    await press('A little')
    await press('Judge this spray')
    expect(await written(`/check-backs/${visit.id}/count`)).toMatchObject({
      body: {
        count: { leavesLooked: 7, leavesAffected: 1, plantingId: visit.plantingId },
        onlyDead: 1,
        injury: 'slight',
        alive: null,
        certain: false,
      },
    })
  })

  it('asks back where figures contradict each other, and is sent again as certain', async () => {
    const asks = 'None lives on 6 leaves, and one is alive?'
    const { server, writes } = taking(({ body }) =>
      (body as Schemas['CheckBackCount']).certain
        ? json({})
        : json({ ...refusal, errors: { certain: [asks] } }, 400),
    )
    const shown = await open(screen, server)
    await settled(shown)
    await press('Five clean')
    await press('Judge this spray')
    await expect.poll(() => shown.text()).toContain(asks)
    const again = shown.findAll('button').find((b) => /right|so it is|stands/i.test(b.text()))
    expect(again?.text()).toBeTruthy()
    await again?.trigger('click')
    await expect.poll(() => writes.length).toBe(2)
    const sent = writes[1]?.body as Schemas['CheckBackCount']
    expect(sent.certain).toBe(true)
    // Nobody said whether it hurt: that is not the same as unhurt.
    expect(sent.injury).toBe('unsaid')
    expect(document.querySelector('[aria-labelledby="injury"]')?.textContent).toBe('NoneA littleClearSevere')
  })

  it('is put off by hosing, and goes back to the Board', async () => {
    const { server, written } = taking()
    await settled(await open(screen, server))
    await press("Can't tell: hose them off, count in two days")
    await written(`/check-backs/${visit.id}/hose`)
    await expect.poll(() => router.currentRoute.value.name).toBe('board')
  })
})
