import { chosenGardenKey, gardenToOpen } from '@/garden/chosenGarden'
import { nextTurn } from '@/kit/nextTurn'
import { asks, keptMonthFirst, languageToSpeak } from '@/language/device'
import type { Schemas } from './client'
import type { paths } from './schema'

/** What the screens that one opens from outside read of their garden, by their address. */
const readBy: Readonly<Record<string, keyof paths>> = {
  '/': '/api/gardens/{gardenId}/board',
  '/walk': '/api/gardens/{gardenId}/round',
  '/decide': '/api/gardens/{gardenId}/decide',
  '/rota': '/api/gardens/{gardenId}/plan',
}

/** An answer that nobody took by then is old. */
const freshMs = 15_000

const answers = new Map<string, { at: number; answer: Promise<Response> }>()
/** Addresses that the app read itself: whatever it reads there later shall be newer. */
const read = new Set<string>()
/** Something changed since the page was opened. */
let over = false

function ask(path: keyof paths, gardenId = ''): Promise<Response> | undefined {
  const url = new URL(path.replace('{gardenId}', gardenId), window.location.origin).href
  if (over || read.has(url)) return undefined
  const headers = { 'Accept-Language': asks(languageToSpeak(), keptMonthFirst()) }
  const answer = fetch(url, { headers })
  answers.set(url, { at: performance.now(), answer })
  // Who takes it hears of it; it is no fault of the page's when nobody does.
  answer.catch(() => undefined)
  return answer
}

/** What was asked for ahead tells of the time before a change: whoever reads from here on asks anew. */
export function forgetAhead() {
  over = true
  answers.clear()
}

/** Fetches the files of a screen while the app, which will ask for them, is on its way itself. */
function fetchFiles(pathname: string) {
  const listed = document.getElementById('files-of-screens')?.textContent
  const files = listed ? (JSON.parse(listed) as Partial<Record<string, string[]>>)[pathname] : undefined
  for (const href of files ?? []) {
    const link = document.createElement('link')
    Object.assign(link, { rel: 'modulepreload', crossOrigin: '', href })
    document.head.append(link)
  }
}

/** Asks for what the first screen reads before the app itself is there, so that on a slow line both come beside each other. */
export async function askAhead({ pathname, search }: Pick<Location, 'pathname' | 'search'> = location) {
  fetchFiles(pathname)
  const what = readBy[pathname]
  if (!what || search) return
  try {
    const home = ask('/api/home')
    const state = await ask('/api/state')
    if (!state?.ok) return
    const { gardens } = (await state.clone().json()) as Schemas['StateAnswer']
    const garden = gardenToOpen(gardens, localStorage.getItem(chosenGardenKey))
    await Promise.all([
      home,
      ...(garden ? (['/api/gardens/{gardenId}', what] as const).map((path) => ask(path, garden.id)) : []),
    ])
  } catch {
    // Out of reach: the screens ask for themselves, and say so.
  }
}

/** The answer that was asked for ahead, to who reads an address for the first time; undefined where none was, or not of late. */
export function takeAhead(request: Request): Promise<Response> | undefined {
  if (request.method !== 'GET') return undefined
  const ahead = answers.get(request.url)
  answers.delete(request.url)
  read.add(request.url)
  if (!ahead) return undefined
  if (performance.now() - ahead.at >= freshMs) return undefined
  // What stands is shown before what was answered is drawn.
  return nextTurn().then(() => ahead.answer.catch(() => fetch(request)))
}
