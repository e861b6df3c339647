import file from './answers.json?raw'
import fileOfEmpty from './answers-empty.json?raw'
import type { Schemas } from '@/api/client'
import { had, json, type Server } from './mounted'

/**
 * Answers of the demo garden, as the app gave them once, by address; `record.mjs` adds to them. That they still are what the app
 * promises is held against the OpenAPI document.
 */
export const answers = JSON.parse(file) as Readonly<Record<string, unknown>>
/** The same of a garden with one bed and nothing in it. */
export const answersOfEmpty = JSON.parse(fileOfEmpty) as Readonly<Record<string, unknown>>

/** The answer that is kept for an address. */
export function recordedAnswer<T>(address: string): T {
  if (!(address in answers)) throw new Error(`${address} is not recorded`)
  return answers[address] as T
}

/** Addresses that were asked for and are not recorded. */
export const missing = new Set<string>()

/** An app that answers what was recorded of it. */
const answering =
  (known: Readonly<Record<string, unknown>>): Server =>
  (request) => {
    const { pathname, search } = new URL(request.url)
    const address = pathname + search
    if (request.method !== 'GET')
      return Promise.resolve(json({ title: 'Only what was recorded can be read.' }, 405))
    if (address in known) return Promise.resolve(json(known[address]))
    missing.add(address)
    return Promise.resolve(json({ title: `${address} is not recorded.` }, 404))
  }

export const recorded = answering(answers)
export const recordedEmpty = answering(answersOfEmpty)

/** What a screen wrote. */
export interface Write {
  method: string
  path: string
  body: unknown
}

/** The app as recorded, which takes what is written: `answered` says what to, with a status where it is refused. */
export function taking(answered: (write: Write) => Response = () => json({})) {
  const writes: Write[] = []
  const server: Server = async (request) => {
    if (request.method === 'GET') return recorded(request)
    // A picture is no body to read.
    const text = request.headers.get('content-type')?.includes('json') ? await request.text() : ''
    const write = {
      method: request.method,
      path: new URL(request.url).pathname.replace(at, ''),
      body: text ? (JSON.parse(text) as unknown) : null,
    }
    writes.push(write)
    return answered(write)
  }
  /** The first write to an address of the garden, once it came. */
  const written = (path: string | RegExp) =>
    had(() => {
      const write = writes.find((w) => (typeof path === 'string' ? w.path === path : path.test(w.path)))
      if (!write) throw new Error(`written to ${writes.map((w) => w.path).join(', ')} only`)
      return write
    })
  return { server, writes, written }
}

const { gardens } = recordedAnswer<Schemas['StateAnswer']>('/api/state')
/** Where the recorded garden is. */
export const at = `/api/gardens/${gardens[0]?.id ?? ''}`

/** Answers that many tests start from. */
export const garden = recordedAnswer<Schemas['GardenAnswer']>(at)
export const ledger = recordedAnswer<Schemas['LedgerAnswer']>(`${at}/ledger`)
export const decide = recordedAnswer<Schemas['DecideAnswer']>(`${at}/decide`)
export const plan = recordedAnswer<Schemas['RotaAnswer']>(`${at}/plan`)
export const checkBacks = recordedAnswer<Schemas['CheckBackAnswer'][]>(`${at}/check-backs`)

/** A place, and what grows in it, as "Chapel/courgette". */
export function growing(where: string): { placeId: string; plantingId: string } {
  const [placeName, crop] = where.split('/')
  const place = garden.places.find((p) => p.name === placeName)
  const planting = place?.plantings.find((p) => p.crop === crop)
  if (!place || !planting) throw new Error(`nothing like ${where}`)
  return { placeId: place.id, plantingId: planting.id }
}
