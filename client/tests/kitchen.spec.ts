import { beforeEach, describe, expect, it } from 'vitest'
import { router } from '@/router'
import type { Schemas } from '@/api/client'
import { button, choose, control, fill, json, open, press, seen, settled, tick } from './mounted'
import { at, growing, ledger, recorded, recordedAnswer, taking } from './recorded'

/** Bench, shelf, bottle and spray: what is mixed, kept and logged, and what a refusal leaves. */

beforeEach(() => localStorage.clear())

const chapel = growing('Chapel/courgette')
const batch = recordedAnswer<Schemas['BatchAnswer']>(`${at}/batches/aaaaaaaa-0000-4000-8000-000000000001`)

describe('the bench', () => {
  it('puts what is asked into its address', async () => {
    await settled(await open('/bench', recorded))
    await press('strong')
    await expect.poll(() => router.currentRoute.value.query.step).toBe('strong')
  })

  it('saves no bottle before it is known what it is for', async () => {
    const shown = await open('/bench', recorded)
    await settled(shown)
    expect((button(/^Mixed it/) as HTMLButtonElement).disabled).toBe(true)
    expect(seen(shown)).toContain('Choose what it is for, then the bottle can be saved.')
  })

  it('turns every step over as it is done', async () => {
    await settled(await open('/bench', recorded))
    const first = control('input[type=checkbox]', /Water first/) as HTMLInputElement
    await tick(/Water first/)
    expect(first.checked).toBe(true)
  })
})

describe('the shelf', () => {
  it('takes a bottle with what is left of it, commas and all', async () => {
    const { server, written } = taking()
    await settled(await open('/shelf', server))
    await press('Put something on the shelf')
    await choose('What it is', 'Castile soap')
    await fill('Name on the bottle', 'Olive soap')
    await fill(/^Full/, '750')
    await fill(/^Left/, '312,5')
    await press(/^(Put it|Save|Keep)/)
    expect(await written(/^\/shelf\//)).toMatchObject({
      method: 'PUT',
      body: { material: 'castile-soap', name: 'Olive soap', amount: 750, left: 312.5 },
    })
  })

  it('keeps what was typed when it is refused, and says it at the field', async () => {
    const { server } = taking(() =>
      json(
        { title: 'More is left than there was.', code: 'left-range', errors: { left: ['More than full.'] } },
        400,
      ),
    )
    const shown = await open('/shelf', server)
    await settled(shown)
    await press('Put something on the shelf')
    await choose('What it is', 'Castile soap')
    await fill(/^Full/, '100')
    await fill(/^Left/, '101')
    await press(/^(Put it|Save|Keep)/)
    await expect.poll(() => shown.text()).toContain('More than full.')
    expect((control('input', /^Left/) as HTMLInputElement).value).toBe('101')
  })
})

describe('a bottle', () => {
  it('is labelled with what is in it, for what, and until when', async () => {
    const shown = await open(`/label/${batch.id}`, recorded)
    await settled(shown)
    for (const told of [batch.recipeName, ...batch.for, ...batch.contents, ...batch.cautions])
      expect(seen(shown)).toContain(told)
    for (const { material, percent } of batch.strengths)
      expect(seen(shown)).toContain(`${material} ${String(percent)} %`)
  })

  it('is logged where it was meant to go, and nothing is said that nobody said', async () => {
    const { server, written } = taking()
    await settled(await open(`/spray/${batch.id}`, server))
    await press(/^Log this spray|^Log it/)
    const { body } = await written(/applications/)
    expect(body).toMatchObject({ batchId: batch.id, plantingIds: [chapel.plantingId], patchTest: false })
    expect((body as Schemas['NewApplication']).shareWetted ?? null).toBeNull()
  })
})

describe('a spray that was logged', () => {
  const spray = ledger.entries.find((e) => e.kind === 'spray')?.id ?? ''

  it('is struck out, and stays in the book', async () => {
    const { server, written } = taking()
    await settled(await open(`/ledger/sprays/${spray}`, server))
    await press('Strike it out')
    expect((await written(`/ledger/sprays/${spray}/strike`)).method).toBe('POST')
  })

  it('is put right with the fields that it has', async () => {
    const { server, written } = taking()
    await settled(await open(`/ledger/sprays/${spray}`, server))
    await press('Put it right')
    await fill('How much spray', '1,25')
    await press(/^Save/)
    expect(await written(`/ledger/sprays/${spray}`)).toMatchObject({ method: 'PUT', body: { litres: 1.25 } })
  })
})

describe('what if', () => {
  it('is asked for a place, a trouble and a share, and stands in the address', async () => {
    await settled(await open('/what-if', recorded))
    await choose('Where', 'Chapel: courgette')
    await choose('What', 'Powdery mildew')
    await fill('Affected, in a hundred', '10')
    await press('Play it through')
    await expect
      .poll(() => router.currentRoute.value.query)
      .toMatchObject({ planting: chapel.plantingId, target: 'powdery-mildew', share: '0.1' })
  })
})
