import { expect, test } from '@playwright/test'
import { emptyUrl, weatherUrl } from './addresses'
import { countKeys, countTaps, expectAccessible, startOver } from './steps'

test.describe('with the demo garden', () => {
  test.beforeEach(({ request }) => startOver(request))

  test('question mark lists the keys and letters start jobs', async ({ page }) => {
    await page.goto('/')
    await expect(page.getByRole('heading', { name: 'This evening' })).toBeVisible()
    await page.keyboard.press('?')
    await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('Undo the last thing written')
    await page.keyboard.press('Escape')
    await page.keyboard.press('/')
    await expect(page.getByLabel('Find a place, crop or screen')).toBeFocused()
    await page.keyboard.type('kale')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('heading', { name: 'Winding Hole: kale' })).toBeVisible()
    await page.keyboard.press('b')
    await expect(page.getByRole('heading', { name: 'Tansy Lock' })).toBeVisible()
  })

  test('what carries its content in its name is kept for good, and the page is asked for anew', async ({
    request,
  }) => {
    const page = await request.get('/walk')
    expect(page.headers()['cache-control']).toBe('no-cache')
    const [script] = /\/assets\/[^"]+\.js/.exec(await page.text()) ?? ['']
    const kept = await request.get(script)
    expect(kept.headers()['cache-control']).toBe('public, max-age=31536000, immutable')
    expect(kept.headers()['content-type']).toBe('text/javascript')
    expect(kept.headers()['content-encoding']).toBe('br')
    const whole = await request.get(script, { headers: { 'accept-encoding': 'identity' } })
    expect(whole.headers()['content-encoding']).toBeUndefined()
    expect(await whole.text()).toBe(await kept.text())
    expect((await request.get('/sw.js')).headers()['cache-control']).toBe('no-cache')
    expect((await request.get('/assets/anything')).headers()['cache-control']).toBe('no-cache')
  })

  test('a screen reader hears of the Board what is seen, in its order', async ({ page }) => {
    await page.goto('/')
    await expect(page.getByRole('slider', { name: 'Read the hours' })).toBeVisible()
    await expect(page.getByRole('main')).toMatchAriaSnapshot(`
      - region "Board":
        - heading "Tansy Lock" [level=1]
        - paragraph:
          - 'button "Cover: what is it?"'
          - text: holds on 2 of 10 places. Saturday's rain, 18 mm, will strip Towpath.
        - group "Time shown"
        - list:
          - listitem:
            - button "Sluice broad bean, runner bean"
          - listitem:
            - button "Chapel courgette, squash"
        - 'img "Weather: temperature, rain, wet leaves, wind and good hours"'
        - 'img /^Cover now 0 %. Pressure 77 %, Black bean aphid: 19 degree-days a day last week. Fri 10 Jul, 18:51: 2 of 20 leaves/'
        - slider "Read the hours"
        - list "Legend"
        - list:
          - listitem: "Sluice: cover 0 %"
      - region "This evening":
        - heading "This evening" [level=2]
        - paragraph: 6 things to do, in order
        - paragraph: 18:00 – 21:00
        - paragraph: At most 26 °C in the next six hours. Wind 3.6 m/s. Dry for the 8 h that neem oil needs.
        - link "Why these hours?"
        - 'button "Count again: Polytunnel north"'
        - list:
          - listitem:
            - 'heading "Check back: Polytunnel north aubergine" [level=3]'
          - listitem:
            - heading "By hand, in 9 places" [level=3]
    `)
  })

  test('arrows choose a place and Enter opens it', async ({ page }) => {
    await page.goto('/')
    await expect(page.getByRole('heading', { name: 'This evening' })).toBeVisible()
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('heading', { name: 'Chapel', level: 1 })).toBeVisible()
    await page.getByRole('button', { name: 'Count here' }).click()
    await expect(page.getByRole('link', { name: /^Chapel/ }).first()).toHaveClass(/wanted/)
  })

  test('a count is kept over a reload, undone, and sent once', async ({ page }) => {
    await page.goto('/walk')
    await page.getByRole('link', { name: /^Lower Gate: leek/ }).click()
    await page.getByRole('button', { name: /^Affected/ }).click()
    await page.getByRole('button', { name: /^Clean/ }).click()
    await page.reload()
    await expect(page.getByRole('button', { name: 'Affected 1' })).toBeVisible()
    await page.getByRole('button', { name: 'One back' }).click()
    await expect(page.getByRole('button', { name: 'Clean 0' })).toBeVisible()
    await page.getByRole('button', { name: 'Save and name it' }).click()
    await expect(page.getByText('Noted Lower Gate leek.')).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByText('Noted Lower Gate leek.')).toBeHidden()
    await page.goto('/walk')
    await expect(page.getByRole('link', { name: /^Lower Gate: leek/ })).toContainText('clean on Fri 3 Jul')
  })

  test('somebody joins the household, a sprayer comes, and a bed is measured anew', async ({ page }) => {
    await page.goto('/garden/household')
    await page.getByText('Household and sprayers').click()
    await page.getByLabel('Somebody else').fill('Ruth')
    await page.getByRole('button', { name: 'Add somebody' }).click()
    await expect(page.getByLabel('Name of Ruth')).toBeVisible()
    await page.getByLabel('Another sprayer').fill('Backpack')
    await page.getByRole('button', { name: 'Add a sprayer' }).click()
    await expect(page.getByText('It holds something, and up to 50 l.')).toBeVisible()
    await expect(page.getByLabel('Another sprayer')).toHaveValue('Backpack')
    await page.getByRole('textbox', { name: 'What it holds' }).fill('12')
    await page.getByRole('button', { name: 'Add a sprayer' }).click()
    await expect(page.getByLabel('Name of Backpack')).toBeVisible()
    await expectAccessible(page)
    await page.getByRole('combobox', { name: 'Who is writing' }).selectOption('Ruth')

    await page.getByRole('link', { name: 'Places and plantings' }).click()
    await page.getByRole('button', { name: 'Change Sluice' }).click()
    const form = page.getByRole('form', { name: 'Change Sluice' })
    await form.getByRole('textbox', { name: 'Area' }).fill('7.5')
    await form.getByLabel('Name of the bed').fill('Chapel')
    await form.getByRole('button', { name: 'Save the place' }).click()
    await expect(form.getByText('Another place has this name.')).toBeVisible()
    await form.getByLabel('Name of the bed').fill('Upper Sluice')
    await form.getByRole('button', { name: 'Save the place' }).click()
    await expect(page.getByRole('listitem').filter({ hasText: 'Upper Sluice' })).toContainText('7.5 m²')
  })

  test('a wrong figure is told beside its field and nothing typed is lost', async ({ page }) => {
    await page.goto('/')
    await page.getByRole('link', { name: /^Neem with soap: Chapel/ }).click()
    await page.getByRole('button', { name: /^Mixed it/ }).click()
    await page.getByLabel('How much was used').fill('3')
    await page.getByLabel('Note').fill('windy corner')
    await page.getByRole('button', { name: 'Log this spray' }).click()
    await expect(page.getByRole('alert')).toContainText('no more can have gone on')
    await expect(page.getByLabel('Note')).toHaveValue('windy corner')
    await expect(page.getByLabel('How much was used')).toHaveAttribute('aria-invalid', 'true')
  })

  test('a strong dose on seedlings can not be saved', async ({ page }) => {
    await page.goto('/bench')
    await page.getByText('Choose one planting or more').click()
    await page.getByRole('option', { name: 'Window rack: pak choi' }).click()
    await page.keyboard.press('Escape')
    await page.getByRole('combobox', { name: 'Against' }).click()
    await page.getByRole('option', { name: 'Green peach aphid' }).click()
    await page.getByRole('button', { name: /more material/ }).click()
    await page.getByRole('button', { name: /^Castile soap/ }).click()
    await page.getByRole('button', { name: 'Try two leaves first' }).click()
    await page.getByRole('button', { name: 'strong', exact: true }).click()
    await expect(page.getByText('Seedlings: one step down.')).toBeVisible()
    await expect(page.getByRole('button', { name: /^Mixed it/ })).toBeDisabled()
    await page.getByRole('button', { name: 'gentle', exact: true }).click()
    await expect(page.getByRole('button', { name: /^Mixed it/ })).toBeEnabled()
  })

  test('when the weather service is down the Board says so and goes on', async ({ page, request }) => {
    await request.post(`${weatherUrl}/mood`, { data: { down: true } })
    try {
      await page.goto('/')
      await page.getByRole('button', { name: '+1 h' }).click()
      await expect(
        page.getByText(/weather service does not answer\. What is shown is from Thu 16 Jul/),
      ).toBeVisible({ timeout: 20_000 })
      await expect(page.getByRole('heading', { name: 'This evening' })).toBeVisible()
    } finally {
      await request.post(`${weatherUrl}/mood`, { data: {} })
    }
  })

  test('somebody who may only look is told so', async ({ page }) => {
    await page.goto('/garden')
    await page.getByRole('combobox', { name: 'Who is writing' }).selectOption('Noor')
    await page.getByRole('button', { name: 'Beetroot is cleared' }).click()
    await expect(page.getByRole('alert')).toContainText('Noor may look but not change anything')
  })
})

test('a fresh garden is set up in three steps, planted and walked', async ({ page }) => {
  await page.goto(`${emptyUrl}/set-up`)
  await expect(page.getByRole('heading', { name: 'Set up your garden' })).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Name of the garden').fill('Back yard')
  await page.getByText('By numbers, or another time zone or climate').click()
  await page.getByLabel('Latitude, north positive').fill('95')
  await page.getByLabel('Longitude, east positive').fill('16.3')
  await page.getByRole('button', { name: 'Next' }).click()

  // What is wrong is said at once, with the rest kept.
  await expect(page.getByRole('alert')).toContainText('Latitude lies between -90 and 90')
  await expect(page.getByLabel('Latitude, north positive')).toBeFocused()
  await expect(page.getByLabel('Name of the garden')).toHaveValue('Back yard')
  // A town says it all at once, and the first that is found is taken by Tab.
  await page.getByLabel('Town or village nearby').pressSequentially('graz')
  await expect(page.getByRole('option', { name: 'Graz, Austria', exact: true })).toBeVisible()
  await page.keyboard.press('Tab')
  await expect(page.getByText('47.07 / 15.45; Europe/Vienna; continental', { exact: false })).toBeVisible()
  await expect(page.getByRole('combobox', { name: 'Country: what you measure in' })).toContainText('Austria')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Next' }).click()
  await expect(page.getByLabel('Your name')).toBeFocused()
  // What is filled in stands after a reload.
  await page.reload()
  await expect(page.getByLabel('Town or village nearby')).toHaveValue('Graz, Austria')
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByLabel('Your name').fill('Ilse')
  await expect(page.getByText('Home mixes are not approved products.')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByLabel('Name of the bed').fill('By the fence')
  await page.getByRole('combobox', { name: 'Crop' }).click()
  await page.getByRole('option', { name: 'Courgette' }).click()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Start the garden' }).click()

  await expect(page.getByRole('heading', { name: 'Back yard' })).toBeVisible()
  await expect(page.getByText(/No weather yet/)).toBeVisible()
  await expectAccessible(page)
  await page.keyboard.press('w')
  await expect(page.getByRole('link', { name: /^By the fence: courgette/ })).toContainText(
    'not looked at yet',
  )
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

  test('from nothing to the first named trouble in 20 taps and 20 keys or fewer', async ({ page }) => {
    const taps = await countTaps(page)
    const keys = await countKeys(page)
    const type = (label: string, words: string) => page.getByLabel(label).pressSequentially(words)
    const tap = (role: 'button' | 'link' | 'combobox' | 'option', name: string | RegExp) =>
      page.getByRole(role, { name }).first().tap()
    await page.goto(`${emptyUrl}/set-up`)
    await type('Name of the garden', 'Home')
    await type('Town or village nearby', 'graz')
    await tap('option', 'Graz, Austria')
    await tap('button', 'Next')
    await type('Your name', 'Ida')
    await tap('button', 'Next')
    await type('Name of the bed', 'Bed')
    await tap('combobox', 'Crop')
    await tap('option', 'Courgette')
    await tap('button', 'Start the garden')
    await expect(page.getByRole('heading', { name: 'Home' })).toBeVisible()
    await tap('link', 'Walk')
    await tap('button', /^Start the walk/)
    await tap('button', /^Five clean/)
    for (let i = 0; i < 3; i++) await tap('button', /^Affected/)
    await tap('button', 'White dust')
    await tap('button', 'Save and name it')
    await tap('button', /^Call it powdery mildew/)
    await expect(page.getByRole('heading', { name: /^What is it/ })).toHaveCount(0)
    expect(taps()).toBeLessThanOrEqual(20)
    expect(keys()).toBeLessThanOrEqual(20)
  })
})

test('every file that the app names is there, and the styles of each screen with it', async ({ request }) => {
  const read = async (file: string) => {
    const answer = await request.get(`/assets/${file}`)
    // What is not there is answered with the page, which would pass for a file.
    expect(answer.headers()['content-type'], file).toMatch(/javascript|css/)
    return answer.text()
  }
  const named = (text: string) =>
    [...text.matchAll(/(?:\.|assets)\/([\w.-]+\.(?:js|css))\b/g)].map((m) => m[1] ?? '')
  const files = new Map<string, string>()
  for (let ahead = named(await (await request.get('/')).text()); ahead.length > 0;) {
    const texts = await Promise.all(ahead.map(read))
    ahead.forEach((file, i) => files.set(file, texts[i] ?? ''))
    ahead = [...new Set(texts.flatMap(named))].filter((file) => !files.has(file))
  }
  expect(files.size).toBeGreaterThan(100)
  const worn = (kind: string) =>
    new Set(
      [...files]
        .filter(([f]) => f.endsWith(kind))
        .flatMap(([, text]) => text.match(/data-v-[0-9a-f]{8}/g) ?? []),
    )
  const styled = worn('.css')
  expect(styled.size).toBeGreaterThan(50)
  expect([...worn('.js')].filter((scope) => !styled.has(scope))).toEqual([])
})
