import { defineComponent, h } from 'vue'
import { beforeEach, expect, it } from 'vitest'
import FieldNotes from '@/jobs/walk/FieldNotes.vue'
import { useLook } from '@/jobs/walk/useLook'
import WalkView from '@/jobs/walk/WalkView.vue'
import { useDelivery } from '@/outbox/useOutbox'
import { open, press, seen, settled } from './mounted'
import { at, recorded } from './recorded'

/** A walk that was begun on this device, which the server knows nothing of. */
const begun = { id: 'here', begunAt: Date.now(), ended: false, seen: [], skipped: [] }
const kept = () => {
  const walks = JSON.parse(localStorage.getItem('mauvaise-walk') ?? '{}') as Record<string, typeof begun>
  return Object.values(walks)[0]
}

beforeEach(() => {
  const newValue = JSON.stringify({ [at.split('/').at(-1) ?? '']: begun })
  localStorage.setItem('mauvaise-walk', newValue)
  window.dispatchEvent(
    new StorageEvent('storage', { key: 'mauvaise-walk', newValue, storageArea: localStorage }),
  )
})

it('as many minutes as there are is one tap, and the whole round another', async () => {
  const screen = await open('/walk', recorded)
  await settled(screen)
  const chosen = () => screen.get('.times [aria-pressed=true]').text()
  expect(chosen()).toMatch(/^All: \d+$/)
  expect(seen(screen)).not.toContain('Left for another day')

  await press('15')
  expect(chosen()).toBe('15')
  await expect.poll(() => seen(screen)).toContain('Left for another day')
  expect(seen(screen)).toContain('The places that matter most.')

  await press(/^All/)
  expect(chosen()).toMatch(/^All/)
  expect(seen(screen)).not.toContain('Left for another day')
})

it('ants are what somebody says, and nothing until then', async () => {
  const look = useLook('ants')
  const said = () => look.toObservation('p', null).ants
  const screen = await open('/walk', recorded, () => h(FieldNotes, { modelValue: look.draft.value }))
  expect(said()).toBe('unsaid')
  expect(screen.find('[aria-pressed=true]').exists()).toBe(false)
  await press('none')
  expect(said()).toBe('none')
  await press('many')
  expect([said(), screen.get('[aria-pressed=true]').text()]).toEqual(['many', 'many'])
  // A wrong tap is taken back by the same tap.
  await press('many')
  expect(said()).toBe('unsaid')
})

it('a walk that the server does not know goes on until what waits was read, and is over when nothing does', async () => {
  const screen = await open('/walk', recorded)
  await settled(screen)
  expect(seen(screen)).toMatch(/Next: /)
  expect(kept()).toMatchObject({ ended: false })

  const withDelivery = defineComponent({
    setup() {
      useDelivery()
      return () => h(WalkView)
    },
  })
  const delivered = await open('/walk', recorded, withDelivery)
  await settled(delivered)
  await expect.poll(() => seen(delivered)).toMatch(/First: /)
  expect(kept()).toMatchObject({ ended: true })
})
