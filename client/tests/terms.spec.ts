import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import { afterEach, describe, expect, it } from 'vitest'
import PlainWords from '@/kit/PlainWords.vue'
import { inStretches } from '@/kit/terms'
import { speak } from '@/language'

/** Words of the trade, where they stand. */
const marked = (text: string) => inStretches(text).map((s) => (s.means ? `[${s.text}]` : s.text))

describe('words of the trade', () => {
  afterEach(() => speak('en'))

  it.each([
    ['Cover holds on 2 of 10 places.', ['[Cover]', ' holds on 2 of 10 places.']],
    ['Change the group: the last group was soap.', ['Change the ', '[group]', ': the last group was soap.']],
    ['Pressure is over the line', ['[Pressure]', ' is over the ', '[line]']],
    [
      'Hours and cover wait for it; 160 degree-days.',
      ['Hours and ', '[cover]', ' wait for it; 160 ', '[degree-days]', '.'],
    ],
    // Parts of other words are none.
    ['Discover the outline, grouped.', ['Discover the outline, grouped.']],
    ['', []],
  ])('in “%s” are marked once each', (text, stretches) => {
    expect(marked(text)).toEqual(stretches)
  })

  it.each([
    ['de', 'Der Belag hält an 2 von 10 Plätzen, nach 40 Gradtagen.', ['Belag', 'Gradtagen']],
    ['es', 'La protección aguanta; la presión del tiempo no.', ['protección', 'presión']],
  ])('are known in %s', async (language, text, words) => {
    await speak(language)
    expect(inStretches(text).flatMap((s) => (s.means ? [s.text] : []))).toEqual(words)
  })

  it('change nothing of what is read, and each opens what it means', async () => {
    const text = 'No place has cover now.'
    const shown = mount(PlainWords, { props: { text }, attachTo: document.body })
    const term = shown.get('button')
    expect(term.attributes('aria-label')).toBe('cover: what is it?')
    const means = document.getElementById(term.attributes('popovertarget') ?? '')
    expect(means?.hasAttribute('popover')).toBe(true)
    expect(document.body.textContent).toBe(text)
    const toggled = async (newState: string) => {
      means?.dispatchEvent(Object.assign(new Event('beforetoggle'), { newState }))
      await nextTick()
    }
    await toggled('open')
    expect(means?.textContent).toMatch(/protection is left/)
    await toggled('closed')
    expect(document.body.textContent).toBe(text)
    shown.unmount()
  })
})
