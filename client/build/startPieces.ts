import { fileURLToPath } from 'node:url'
import type { Plugin, Rolldown } from 'vite'

const source = (path: string) => fileURLToPath(new URL(`../src/${path}`, import.meta.url))

/**
 * What is read at every start, in the order in which it is needed: each is one file. In the pieces that others share it were thirty, and on a phone
 * each takes its turn.
 */
const pieces = [
  ['first', source('main.ts')],
  ['language', source('language/index.ts')],
  ['start', source('start.ts')],
] as const

/** A module and all that it needs before it can run. */
function* neededBy(id: string, context: Rolldown.ChunkingContext, seen: Set<string>): Generator<string> {
  if (seen.has(id)) return
  seen.add(id)
  yield id
  for (const needed of context.getModuleInfo(id)?.importedIds ?? []) yield* neededBy(needed, context, seen)
}

let pieceOf: Map<string, string> | undefined

/** Which piece a module belongs to; null for what is fetched when it is wanted. */
export function startPiece(id: string, context: Rolldown.ChunkingContext): string | null {
  if (!pieceOf) {
    pieceOf = new Map()
    const seen = new Set<string>()
    for (const [name, root] of pieces)
      for (const needed of neededBy(root, context, seen)) pieceOf.set(needed, name)
    // It waits for the others, and so none of them may wait for it.
    pieceOf.delete(pieces[0][1])
  }
  return pieceOf.get(id) ?? null
}

/** All pieces are fetched beside the first, and not after it. */
export const startBesideFirst: Plugin = {
  name: 'start-beside-first',
  transformIndexHtml: {
    order: 'post',
    handler: (html, { bundle }) =>
      Object.values(bundle ?? {})
        .filter((file) => file.type === 'chunk' && pieces.some(([name]) => name === file.name))
        .map((file) => file.fileName)
        .filter((file) => !html.includes(file))
        .map((file) => ({
          tag: 'link',
          attrs: { rel: 'modulepreload', crossorigin: true, href: `/${file}` },
          injectTo: 'head' as const,
        })),
  },
}
