import { mount } from '@vue/test-utils'
import PrimeVue from 'primevue/config'
import { describe, expect, it } from 'vitest'
import NumberField from '@/kit/NumberField.vue'
import { apart, decimalSign, readNumber } from '@/kit/readNumber'

const value = (text: string, sign: '.' | ',' = '.') => {
  const typed = readNumber(text, sign)
  return typed.is === 'number' ? typed.value : typed.is
}

describe('a number as it is typed', () => {
  it.each([
    ['0,5', 0.5],
    ['0.5', 0.5],
    ['172,74', 172.74],
    ['1,5', 1.5],
    ['-3', -3],
    ['−3,5', -3.5],
    ['½', 0.5],
    ['1½', 1.5],
    ['1 1/2', 1.5],
    ['3/4', 0.75],
    [' 12 ', 12],
    ['.5', 0.5],
    ['5,', 5],
    ['0,125', 0.125],
    ['1.125', 1.125],
    ['1,234.5', 1234.5],
  ])('%s is %s', (text, expected) => {
    expect(value(text)).toBeCloseTo(expected as number, 9)
  })

  it.each(['5 l', '1.2.3', '1,5,5', 'abc', '--3', '1/0', '1e3', '1,000', '12 ml'])(
    '%s is not guessed at',
    (text) => {
      expect(value(text)).toBe('unclear')
    },
  )

  it('reads groups by the sign of the household', () => {
    expect(value('1.000', ',')).toBe('unclear')
    expect(value('1,000', ',')).toBe(1)
    expect(value('1.234,5', ',')).toBe(1234.5)
    expect(decimalSign('de-AT')).toBe(',')
    expect(decimalSign('en-GB')).toBe('.')
  })

  it('says nothing of an empty field', () => {
    expect(value('  ')).toBe('empty')
  })
})

describe('the number field', () => {
  const field = (props: Record<string, unknown> = {}) =>
    mount(NumberField, {
      global: { plugins: [PrimeVue] },
      props: { modelValue: 1.5, maxFractionDigits: 2, min: 0, max: 50, ...props },
    })

  it('tells what was typed with a comma', async () => {
    const box = field()
    await box.find('input').setValue('0,5')
    expect(box.emitted('update:modelValue')).toEqual([[0.5]])
  })

  it('keeps what it can not read, says so, and lets no form go', async () => {
    const box = field()
    await box.find('input').setValue('0,5 l')
    expect(box.emitted('update:modelValue')).toBeUndefined()
    expect(box.find('input').element.value).toBe('0,5 l')
    expect(box.text()).toContain('is no number')
    await box.vm.$nextTick()
    expect(box.find('input').element.validity.customError).toBe(true)
  })

  it('asks about ten times what was there, and refuses what is beyond the range', async () => {
    const box = field()
    await box.find('input').setValue('15')
    expect(box.text()).toContain('1.5 stood here before')
    expect(box.emitted('update:modelValue')).toEqual([[15]])
    await box.find('input').setValue('51')
    expect(box.text()).toContain('50 is the most')
    expect(box.emitted('update:modelValue')).toEqual([[15]])
  })

  it('is told when it is left, where it is saved at once', async () => {
    const box = field({ lazy: true })
    await box.find('input').setValue('12')
    expect(box.emitted('update:modelValue')).toEqual([[12]])
  })

  it('offers a minus where one may be typed', () => {
    expect(field().find('input').attributes('inputmode')).toBe('decimal')
    expect(field({ min: undefined }).find('input').attributes('inputmode')).toBe('text')
  })
})

describe('a number and the unit behind it', () => {
  it.each([
    ['5 l', '5', 'l'],
    ['-3 F', '-3', 'f'],
    ['1 1/2 fl oz', '1 1/2', 'floz'],
    ['2 tbsp per gal', '2', 'tbsp/gal'],
    ['50 ml/10 l', '50', 'ml/10l'],
    ['0,5 %', '0,5', '%'],
    ['2 fl oz a gallon', '2', 'floz/gallon'],
    ['0,5l', '0,5', 'l'],
    ['½ cup', '½', 'cup'],
    ['12', '12', ''],
    ['1.', '1.', ''],
    ['l', 'l', ''],
    ['', '', ''],
  ])('%s is %s and %s', (text, number, unit) => expect(apart(text)).toEqual({ number, unit }))
})
