import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

type Ahead = typeof import('@/api/ahead')

const origin = window.location.origin
const board = `${origin}/api/gardens/two/board`
const request = (url: string, method = 'GET') => new Request(url, { method })

/** A server that knows two gardens; what it was asked for, in order. */
function server(state: () => Response = () => Response.json({ gardens: [{ id: 'one' }, { id: 'two' }] })) {
  const asked: { url: string; language: string | undefined }[] = []
  vi.stubGlobal(
    'fetch',
    vi.fn((url: string | Request, init?: { headers: Record<string, string> }) => {
      asked.push({
        url: typeof url === 'string' ? url : url.url,
        language: init?.headers['Accept-Language'],
      })
      return Promise.resolve(
        String(url).endsWith('/api/state') ? state() : Response.json({ answers: asked.length }),
      )
    }),
  )
  return asked
}

describe('What the first screen reads', () => {
  let askAhead: Ahead['askAhead'], takeAhead: Ahead['takeAhead'], forgetAhead: Ahead['forgetAhead']
  beforeEach(async () => {
    vi.spyOn(performance, 'now').mockReturnValue(1000)
    // What it remembers is of one page.
    vi.resetModules()
    ;({ askAhead, takeAhead, forgetAhead } = await import('@/api/ahead'))
  })
  afterEach(() => {
    vi.restoreAllMocks()
    vi.unstubAllGlobals()
    localStorage.clear()
  })

  it('is asked for before the app is there, of the garden that was chosen, in the language of the device', async () => {
    localStorage.setItem('mauvaise-garden', 'two')
    localStorage.setItem('language', 'de')
    localStorage.setItem('order-of-days', 'monthFirst')
    const asked = server()
    await askAhead({ pathname: '/', search: '' })
    expect(asked.map((a) => a.url)).toEqual(
      ['/api/home', '/api/state', '/api/gardens/two', '/api/gardens/two/board'].map((path) => origin + path),
    )
    expect(new Set(asked.map((a) => a.language))).toEqual(new Set(['de-US']))
    expect(await (await takeAhead(request(board)))?.json()).toEqual({ answers: 4 })
  })

  it('comes with the files of the screen, where the page lists them', async () => {
    server()
    const listed = document.createElement('script')
    Object.assign(listed, { type: 'application/json', id: 'files-of-screens' })
    listed.textContent = JSON.stringify({
      '/walk': ['/assets/Walk.js', '/assets/signs.js'],
      '/rota': ['/r.js'],
    })
    const fetched = () => [...document.querySelectorAll<HTMLLinkElement>('link[rel=modulepreload]')]
    await askAhead({ pathname: '/walk', search: '' })
    expect(fetched()).toEqual([])
    document.body.append(listed)
    await askAhead({ pathname: '/', search: '' })
    expect(fetched()).toEqual([])
    await askAhead({ pathname: '/walk', search: '?planting=one' })
    expect(fetched().map((link) => new URL(link.href).pathname)).toEqual([
      '/assets/Walk.js',
      '/assets/signs.js',
    ])
    for (const made of [listed, ...fetched()]) made.remove()
  })

  it('is handed over once, to who reads and not to who writes', async () => {
    localStorage.setItem('mauvaise-garden', 'two')
    server()
    await askAhead({ pathname: '/', search: '' })
    expect(takeAhead(request(board, 'PUT'))).toBeUndefined()
    expect(takeAhead(request(`${origin}/api/gardens/two/round`))).toBeUndefined()
    expect(takeAhead(request(board))).toBeDefined()
    expect(takeAhead(request(board))).toBeUndefined()
  })

  it('is not asked for where the app was quicker, nor kept for what it reads there later', async () => {
    const asked = server()
    expect(takeAhead(request(board))).toBeUndefined()
    localStorage.setItem('mauvaise-garden', 'two')
    await askAhead({ pathname: '/', search: '' })
    expect(asked.map((a) => a.url)).not.toContain(board)
    expect(takeAhead(request(board))).toBeUndefined()
  })

  it('tells nothing any more once something was written, also where it had not been asked for yet', async () => {
    localStorage.setItem('mauvaise-garden', 'two')
    const asked = server()
    const asking = askAhead({ pathname: '/', search: '' })
    forgetAhead()
    await asking
    expect(asked.map((a) => a.url)).not.toContain(board)
    expect(takeAhead(request(`${origin}/api/home`))).toBeUndefined()
  })

  it('is not handed over when it has become old', async () => {
    localStorage.setItem('mauvaise-garden', 'two')
    server()
    await askAhead({ pathname: '/', search: '' })
    vi.spyOn(performance, 'now').mockReturnValue(60_000)
    expect(takeAhead(request(board))).toBeUndefined()
  })

  it('is asked for again where it did not come', async () => {
    localStorage.setItem('mauvaise-garden', 'two')
    const asked = server()
    const { fetch } = globalThis
    vi.stubGlobal('fetch', (url: string, init: { headers: Record<string, string> }) =>
      url === board ? Promise.reject(new TypeError('out of reach')) : fetch(url, init),
    )
    await askAhead({ pathname: '/', search: '' })
    const answer = takeAhead(request(board))
    vi.stubGlobal('fetch', fetch)
    expect((await answer)?.ok).toBe(true)
    expect(asked.at(-1)?.url).toBe(board)
  })

  it.each([
    ['a screen that reads nothing alone', '/garden', ''],
    ['a screen that asks for more than its address says', '/decide', '?planting=one'],
  ])('is left to %s', async (_, pathname, search) => {
    const asked = server()
    await askAhead({ pathname, search })
    expect(asked).toEqual([])
  })

  it('is not asked for by who has not signed in, nor where there is no garden', async () => {
    for (const state of [() => new Response(null, { status: 401 }), () => Response.json({ gardens: [] })]) {
      const asked = server(state)
      await askAhead({ pathname: '/', search: '' })
      expect(asked.map((a) => a.url)).toEqual([`${origin}/api/home`, `${origin}/api/state`])
    }
  })
})
