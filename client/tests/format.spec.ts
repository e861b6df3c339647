import { describe, expect, it } from 'vitest'
import { civilDay, clock, currencySign, day, dayAndClock, inSentence, money, percent } from '@/kit/format'
import { household, metric, offScale, onScale, told, toldRange } from '@/kit/household'
import { asked, orderDays } from '@/language'
import { byDay } from '@/jobs/windows/hours'

describe('times', () => {
  it('are the garden’s, whatever the browser’s zone', () => {
    expect(clock('2026-07-16T15:40:00Z', 'Europe/Vienna')).toBe('17:40')
    expect(dayAndClock('2026-07-16T22:30:00Z', 'Europe/Vienna')).toBe('Fri 17 Jul, 00:30')
    expect(day('2026-07-16T22:30:00Z', 'Africa/Johannesburg')).toBe('Fri 17 Jul')
    expect(civilDay('2026-07-18')).toBe('Sat 18 Jul')
  })
})

describe('figures', () => {
  it('read as a gardener says them', () => {
    expect(percent(0.238)).toBe('24 %')
  })
})

describe('hours by day', () => {
  const hour = (at: string) => ({ hour: at, verdict: 'good' as const, rules: [] })

  it('have 24 cells and start where the answer starts', () => {
    const { days, columns } = byDay(
      [hour('2026-07-16T20:00:00Z'), hour('2026-07-16T21:00:00Z'), hour('2026-07-16T22:00:00Z')],
      'Europe/Vienna',
    )
    expect(days.map((d) => d.label)).toEqual(['Thu 16 Jul', 'Fri 17 Jul'])
    expect(columns.map((c) => c.hour)).toEqual(Array.from({ length: 24 }, (_, h) => h))
    expect(days.map((d) => d.cells.length)).toEqual([24, 24])
    expect(days[0]?.cells.filter(Boolean)).toHaveLength(2)
    expect(days[1]?.cells[0]?.hour).toBe('2026-07-16T22:00:00Z')
  })

  it('have 25 cells when clocks go back, and leave the hour that they skip empty', () => {
    const back = byDay([hour('2026-10-25T00:00:00Z'), hour('2026-10-25T01:00:00Z')], 'Europe/Vienna')
    expect(back.columns).toHaveLength(25)
    expect(back.days[0]?.cells.slice(2, 4).map((c) => c?.hour)).toEqual([
      '2026-10-25T00:00:00Z',
      '2026-10-25T01:00:00Z',
    ])
    const { days: skip } = byDay(
      [hour('2026-03-29T00:00:00Z'), hour('2026-03-29T01:00:00Z')],
      'Europe/Vienna',
    )
    expect(skip[0]?.cells[2]).toBeNull()
    expect(skip[0]?.cells[3]?.hour).toBe('2026-03-29T01:00:00Z')
  })
})

describe('names within a sentence', () => {
  it.each([
    ['Neem oil', 'neem oil'],
    ['Bt kurstaki', 'Bt kurstaki'],
    ['Colorado potato beetle', 'Colorado potato beetle'],
    ['DE, dusted', 'DE, dusted'],
    ['Wrong pH', 'wrong pH'],
    ['A beetle', 'a beetle'],
    ['', ''],
  ])('%s becomes %s', (name, said) => {
    expect(inSentence(name)).toBe(said)
  })
})

describe('what a household reads', () => {
  const us = {
    ...metric,
    temperature: { word: '°F', factor: 1.8, offset: 32, digits: 0, power: 1 },
    rain: { word: 'in', factor: 1 / 25.4, offset: 0, digits: 2, power: 1 },
  }
  it('is metric until the garden says otherwise', () => {
    expect(told('temperature', 20.4)).toBe('20 °C')
    expect(toldRange('temperature', 12, 25)).toBe('12 to 25 °C')
    expect(told('wind', 2.34)).toBe('2.3 m/s')
  })
  it('follows the garden', () => {
    household.value = { scales: us, hours: 'twelve', currency: 'USD' }
    expect(told('temperature', 20)).toBe('68 °F')
    expect(told('rain', 12.7)).toBe('0.5 in')
    expect(clock('2026-07-16T15:40:00Z', 'Europe/Vienna')).toBe('5:40 pm')
    expect(money(3.5)).toBe('$3.50')
    expect(currencySign()).toBe('$')
    household.value = { scales: metric, hours: 'twentyFour', currency: '' }
    expect(money(3.5)).toBe('3.50')
    expect(currencySign()).toBe('')
  })
  it('writes the month first where the household does, and asks the server for the same', () => {
    expect(orderDays('monthFirst')).toBe(true)
    expect(civilDay('2026-07-18')).toBe('Sat Jul 18')
    expect(asked()).toBe('en-US')
    expect(orderDays('monthFirst')).toBe(false)
    orderDays('dayFirst')
    expect(civilDay('2026-07-18')).toBe('Sat 18 Jul')
    expect(asked()).toBe('en')
  })
  it('goes by forces of wind there and back', () => {
    const beaufort = { word: 'Bft', factor: 0.836 ** (-2 / 3), offset: 0, digits: 0, power: 2 / 3 }
    expect(Math.round(onScale(beaufort, 5.5))).toBe(4)
    expect(offScale(beaufort, onScale(beaufort, 5.5))).toBeCloseTo(5.5)
    expect(onScale(beaufort, -1)).toBe(0)
  })
})
