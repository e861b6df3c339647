import createClient from 'openapi-fetch'
import { asked, tell } from '@/language'
import { takeAhead } from './ahead'
import type { components, paths } from './schema'

export type Schemas = components['schemas']

/** Says which language is read here, and in which order days. */
export const languageHeader = () => ({ 'Accept-Language': asked() })

/** Names this page to the server, so that it is not told of its own writes. */
export const page = Math.random().toString(36).slice(2)

/** What every request of this page says of itself. */
export const pageHeader = () => ({ 'X-Page': page, ...languageHeader() })

const signedOut = new Set<() => void>()

/** Calls back when an answer says that this device is not signed in, or not any more. */
export function onSignedOut(call: () => void) {
  signedOut.add(call)
}

/** Looks at every answer, whoever asked. */
export function noticeSignedOut(status: number) {
  if (status === 401) for (const call of signedOut) call()
}

export const api = createClient<paths>({
  baseUrl: window.location.origin,
  // openapi-fetch keeps the fetch it finds when created: look it up at each call.
  fetch: (request) => takeAhead(request) ?? globalThis.fetch(request),
  querySerializer: { array: { style: 'form', explode: true } },
})

api.use({
  onRequest({ request }) {
    for (const [name, value] of Object.entries(pageHeader())) request.headers.set(name, value)
  },
})

/** What went wrong, in words that came from the server or, when it did not answer, our own. */
export class Problem extends Error {
  readonly code: string
  /** A sentence for each field, by the field's name in the request. */
  readonly fields: Readonly<Record<string, string>>

  constructor(code: string, sentence: string, fields: Record<string, string> = {}) {
    super(sentence)
    this.name = 'Problem'
    this.code = code
    this.fields = fields
  }

  /** What an answer that is not ok says. */
  static of(status: number, data: unknown): Problem {
    const body = (data ?? {}) as ProblemBody
    const fields = Object.fromEntries(
      Object.entries(body.errors ?? {}).map(([field, words]) => [field, words[0] ?? '']),
    )
    return new Problem(body.code ?? 'unknown', body.title ?? tell('kit.theAnswerWas', { status }), fields)
  }
}

interface ProblemBody {
  title?: string
  code?: string
  errors?: Record<string, string[]>
}

/** The data of an answer; throws a Problem for anything else. */
export async function answer<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let result
  try {
    result = await call
  } catch {
    throw new Problem('no-answer', tell('kit.noAnswer'))
  }
  if (result.response.ok) return result.data as T
  noticeSignedOut(result.response.status)
  throw Problem.of(result.response.status, result.error)
}
