import { expect, test, type Page } from '@playwright/test'
import { bandsOf, countKeys, expectNoSideScroll, startOver, tabTo, watchForErrors } from './steps'

test.beforeEach(({ request }) => startOver(request))

const heading = (page: Page, name: string | RegExp) => page.getByRole('heading', { name, level: 1 })

/** How a run presses things: with the mouse, a finger or the keyboard. */
interface Hand {
  press(page: Page, role: 'button' | 'link', name: string | RegExp): Promise<void>
  count(page: Page, clean: number, affected: number): Promise<void>
}

/** The demo's clock stands in the bar; on a phone it is folded away under More, and the screen at hand is kept. */
async function later(page: Page, hand: Hand, name: string, hours: number) {
  if (await page.getByRole('button', { name }).first().isVisible()) return hand.press(page, 'button', name)
  expect((await page.request.post('/api/demo/step', { data: { hours } })).ok()).toBe(true)
  await page.reload()
}

const mouse: Hand = {
  async press(page, role, name) {
    await page.getByRole(role, { name }).first().click()
  },
  async count(page, clean, affected) {
    for (let i = 0; i < clean; i++) await page.getByRole('button', { name: /^Clean/ }).click()
    for (let i = 0; i < affected; i++)
      await page.getByRole('button', { name: /^(Affected|New spots)/ }).click()
  },
}

const keyboard: Hand = {
  async press(page, role, name) {
    await tabTo(page, page.getByRole(role, { name }).first())
    await page.keyboard.press('Enter')
  },
  async count(page, clean, affected) {
    for (let i = 0; i < clean; i++) await page.keyboard.press('a')
    for (let i = 0; i < affected; i++) await page.keyboard.press('s')
  },
}

async function evening(page: Page, hand: Hand, toWalk: () => Promise<void>) {
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'This evening' })).toBeVisible()
  await expect(page.getByText('Check back: Polytunnel north aubergine')).toBeVisible()

  await toWalk()
  await hand.press(page, 'link', /^Chapel: courgette/)
  await expect(heading(page, 'Chapel: courgette')).toBeVisible()
  await hand.count(page, 16, 5)
  await expect(page.getByText('24 % affected')).toBeVisible()
  await expect(page.getByText('Above the 2 % line. That is enough.')).toBeVisible()
  // What a word means is shown where it covers nothing that is pressed next.
  await hand.press(page, 'button', 'line: what is it?')
  await expect(page.getByText('The share of leaves from which treating is worth it.')).toBeVisible()
  await hand.press(page, 'button', 'White dust')
  await hand.press(page, 'button', 'Save and name it')

  await expect(heading(page, /What is it\? Chapel courgette/)).toBeVisible()
  const lead = page.getByRole('button', { name: /^Powdery mildew/ })
  await expect(lead).toHaveAttribute('aria-pressed', 'true')
  await hand.press(page, 'button', 'Call it powdery mildew and mix for it')

  await expect(heading(page, 'Bench')).toBeVisible()
  await expect(page.getByText('for Chapel courgette, against powdery mildew')).toBeVisible()
  await hand.press(page, 'button', /more materials/)
  await expect(page.getByRole('button', { name: /^Bicarbonate/ })).toBeEnabled()
  await hand.press(page, 'button', /^Neem oil/)
  await expect(page.getByRole('heading', { name: 'Neem with soap' })).toBeVisible()
  await expect(page.getByText('Keep neem from ponds.')).toBeVisible()
  await hand.press(page, 'link', 'Good hours for it')

  await expect(heading(page, 'Good hours')).toBeVisible()
  await expect(page.getByText('Neem oil on Chapel courgette')).toBeVisible()
  await expect(page.getByText('Thu 16 Jul, 18:00 – 21:00')).toBeVisible()
  await page.goBack()
  await hand.press(page, 'button', /^Neem oil/)
  await hand.press(page, 'button', /^Mixed it: 600 ml/)

  await expect(heading(page, 'Log this spray')).toBeVisible()
  await expect(page.getByText('Not the best hour.')).toBeVisible()
  await later(page, hand, '+1 h', 1)
  await expect(page.getByText('A good hour.')).toBeVisible()
  await hand.press(page, 'button', 'Log this spray')
  await expect(page.getByText(/600 ml of neem oil on Chapel courgette, Thu 16 Jul, 18:40/)).toBeVisible()
  await expect(page.getByText('Sun 19 Jul: count the same leaves again')).toBeVisible()

  await hand.press(page, 'button', 'To the Board')
  await expect((await bandsOf(page)).first()).toBeVisible()
  for (let i = 0; i < 3; i++) {
    await later(page, hand, '+1 day', 24)
    await expect(page.getByText(`${['Fri 17', 'Sat 18', 'Sun 19'][i]} Jul, 18:40`)).toBeVisible()
  }

  await hand.press(page, 'link', 'Check back: Chapel courgette')
  await expect(page.getByRole('img', { name: /^before: 24 %, likely/ })).toBeVisible()
  await expect(page.getByText(/^Count the same 21 leaves as on 16 July/)).toBeVisible()
  await hand.count(page, 19, 1)
  await expect(page.getByText('5 % affected')).toBeVisible()
  await hand.press(page, 'button', 'Judge this spray')
  await expect(page.getByRole('heading', { name: 'Holding' })).toBeVisible()
  await expect(page.getByText(/down from 24 %/)).toBeVisible()
  await hand.press(page, 'button', 'To the Board')
  await expect(page.getByRole('heading', { name: 'This evening' })).toBeVisible()
}

test('one evening with the mouse', async ({ page }) => {
  const errors = watchForErrors(page)
  await evening(page, mouse, () => page.getByRole('navigation').getByRole('link', { name: 'Walk' }).click())
  expect(errors).toEqual([])
})

test('one evening with the keyboard alone', async ({ page }) => {
  // Every control on the way is reached by Tab.
  test.slow()
  await evening(page, keyboard, () => page.keyboard.press('w'))
})

test('from the Board to a logged spray in 120 keys or fewer', async ({ page }) => {
  const keys = await countKeys(page)
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'This evening' })).toBeVisible()
  await page.keyboard.press('w')
  await expect(heading(page, 'Walk')).toBeFocused()
  await keyboard.press(page, 'link', /^Chapel: courgette/)
  await expect(heading(page, 'Chapel: courgette')).toBeFocused()
  for (const key of '555assss') await page.keyboard.press(key)
  await expect(page.getByText('20 % affected')).toBeVisible()
  await keyboard.press(page, 'button', 'White dust')
  await keyboard.press(page, 'button', 'Save and name it')
  await keyboard.press(page, 'button', 'Call it powdery mildew and mix for it')
  await keyboard.press(page, 'button', /^Mixed it: 600 ml/)
  await expect(heading(page, 'Log this spray')).toBeFocused()
  await keyboard.press(page, 'button', 'Log this spray')
  await expect(page.getByText(/600 ml of neem oil on Chapel courgette/)).toBeVisible()
  expect(keys()).toBeLessThanOrEqual(120)
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('one evening with a finger', async ({ page }) => {
    await evening(page, mouse, () => page.getByRole('navigation').getByRole('link', { name: 'Walk' }).click())
    await expectNoSideScroll(page)
  })
})
