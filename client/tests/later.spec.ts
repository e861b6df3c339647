import { mount } from '@vue/test-utils'
import { defineComponent, h, nextTick } from 'vue'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import DrawnInTurn from '@/kit/DrawnInTurn.vue'
import DrawnLater from '@/kit/DrawnLater.vue'
import DrawnNear from '@/kit/DrawnNear.vue'

const calls: (() => void)[] = []
/** The browser has nothing else to do for a moment. */
const rest = async () => {
  calls.shift()?.()
  await nextTick()
}

beforeEach(() => vi.stubGlobal('requestIdleCallback', (call: () => void) => calls.push(call)))
afterEach(() => vi.unstubAllGlobals())

const page = (...names: string[]) =>
  mount(
    defineComponent({
      props: { names: { type: Array<string>, default: () => names } },
      setup: (props) => () =>
        props.names.map((name) => h(DrawnLater, { key: name }, { default: () => h('p', name) })),
    }),
  )

test('what stands further down is drawn piece by piece, in its order', async () => {
  const shown = page('ribbon', 'first row', 'second row')
  expect(shown.text()).toBe('')
  await rest()
  expect(shown.text()).toBe('ribbon')
  await rest()
  expect(shown.text()).toBe('ribbonfirst row')
  await rest()
  expect(shown.text()).toBe('ribbonfirst rowsecond row')
  expect(calls).toHaveLength(0)
  const more = page('another screen')
  await rest()
  expect(more.text()).toBe('another screen')
})

test('what was left before its turn holds nobody up', async () => {
  const shown = page('first', 'left', 'last')
  await shown.setProps({ names: ['first', 'last'] })
  await rest()
  await rest()
  expect(shown.text()).toBe('firstlast')
})

test('a browser that does not say when it rests is given all at once', () => {
  vi.stubGlobal('requestIdleCallback', undefined)
  Reflect.deleteProperty(window, 'requestIdleCallback')
  expect(page('first', 'second').text()).toBe('firstsecond')
})

test('for paper all is drawn at once', async () => {
  const shown = page('first', 'second')
  window.dispatchEvent(new Event('beforeprint'))
  await nextTick()
  expect(shown.text()).toBe('firstsecond')
  window.dispatchEvent(new Event('afterprint'))
  shown.unmount()
})

test('what is drawn in turns comes piece by piece, with a task for each', async () => {
  const turns: (() => void)[] = []
  vi.stubGlobal('setTimeout', (call: () => void) => turns.push(call))
  const shown = mount(
    defineComponent(
      () => () => ['bar', 'screen'].map((name) => h(DrawnInTurn, { key: name }, () => h('p', name))),
    ),
  )
  const texts = [shown.text()]
  while (turns.length > 0) {
    turns.shift()?.()
    for (let i = 0; i < 3; i++) await nextTick()
    texts.push(shown.text())
  }
  expect(texts).toEqual(['', 'bar', 'barscreen'])
})

/** The browser says what is in sight, as it is told here. */
function sight() {
  let see: (isIntersecting: boolean) => void = () => {}
  vi.stubGlobal(
    'IntersectionObserver',
    class {
      constructor(told: (entries: { isIntersecting: boolean }[]) => void) {
        see = (isIntersecting) => told([{ isIntersecting }])
      }
      observe() {}
      disconnect() {}
    },
  )
  return (isIntersecting: boolean) => see(isIntersecting)
}

test('what stands far below is drawn when it comes near, and stays', async () => {
  const see = sight()
  const shown = mount(DrawnNear, { slots: { default: 'the season' }, attachTo: document.body })
  await rest()
  expect(shown.text()).toBe('')
  see(true)
  await nextTick()
  expect(shown.html()).toBe('the season')
  see(false)
  await nextTick()
  expect(shown.html()).toBe('the season')
})

test('what stands far below is on paper without being scrolled to', async () => {
  sight()
  const shown = mount(DrawnNear, { slots: { default: 'the season' }, attachTo: document.body })
  window.dispatchEvent(new Event('beforeprint'))
  await nextTick()
  expect(shown.html()).toBe('the season')
  window.dispatchEvent(new Event('afterprint'))
})
