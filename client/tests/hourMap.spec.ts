import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import HourMap from '@/jobs/windows/HourMap.vue'
import { key } from './mounted'

/** From the afternoon of one day to the morning of the third. */
const hours = Array.from({ length: 40 }, (_, i): Schemas['HourAnswer'] => ({
  hour: new Date(Date.UTC(2026, 6, 16, 15 + i)).toISOString(),
  verdict: i % 3 ? 'poor' : 'good',
  rules: [{ rule: 'wind', verdict: 'good', sentence: `Wind of hour ${i}.` }],
}))

it('the map of hours is one stop, and arrows go by hours and days', async () => {
  const shown = mount(HourMap, { props: { hours, timeZone: 'UTC' }, attachTo: document.body })
  const stops = () => [...document.querySelectorAll<HTMLElement>('td button')].filter((b) => b.tabIndex === 0)
  const said = () => shown.get('.why h2').text()
  expect(stops()).toHaveLength(1)
  stops()[0]?.focus()
  const go = async (...keys: string[]) => {
    for (const name of keys) await key(name, document.activeElement ?? document.body)
    expect(stops()).toEqual([document.activeElement])
    return said()
  }
  expect(said()).toMatch(/^Thu 16 Jul, 15:00/)
  expect(await go('ArrowRight')).toMatch(/^Thu 16 Jul, 16:00/)
  expect(await go('ArrowDown', 'ArrowLeft')).toMatch(/^Fri 17 Jul, 15:00/)
  expect(await go('Home')).toMatch(/^Fri 17 Jul, 00:00/)
  expect(await go('End')).toMatch(/^Fri 17 Jul, 23:00/)
  // Where the days end, it stays; what is not there is passed over.
  expect(await go('ArrowRight')).toMatch(/^Fri 17 Jul, 23:00/)
  expect(await go('ArrowDown')).toMatch(/^Fri 17 Jul, 23:00/)
  expect(await go('ArrowUp', 'ArrowUp')).toMatch(/^Thu 16 Jul, 23:00/)
  expect(await go('Home')).toMatch(/^Thu 16 Jul, 15:00/)
  expect(await go('ArrowLeft')).toMatch(/^Thu 16 Jul, 15:00/)
  expect(await go('ArrowDown', 'ArrowDown')).toMatch(/^Fri 17 Jul, 15:00/)
  shown.unmount()
})
