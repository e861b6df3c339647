import { basename } from 'node:path'
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

/** Screens that one opens from outside, besides the first. */
const screens = {
  '/walk': source('jobs/walk/WalkView.vue'),
  '/decide': source('jobs/decide/DecideView.vue'),
  '/rota': source('jobs/rota/RotaView.vue'),
}

/** A file and all that it needs before it can run. */
function* filesOf(file: string, bundle: Rolldown.OutputBundle, seen: Set<string>): Generator<string> {
  const chunk = bundle[file]
  if (seen.has(file) || chunk?.type !== 'chunk') return
  seen.add(file)
  yield `/${file}`
  for (const needed of chunk.imports) yield* filesOf(needed, bundle, seen)
}

/** What a file that only hands on says: `export{c as speak}from"./language-CEUMBQPP.js";`. What it reads before, the piece reads itself. */
const handsOn = /^(?:import"[^"]+";)*export\{(\w+) as (\w+)\}from"\.\/([^"]+)";\s*$/

const onlyHandsOn = (file: Rolldown.OutputChunk) => file.isDynamicEntry && !Object.keys(file.modules).length

/** A piece that is wanted for one thing comes by a file of its own that only hands that on: it is asked for itself, and a file fewer is fetched. */
export const piecesAskedForThemselves: Plugin = {
  name: 'pieces-asked-for-themselves',
  // After the styles were gathered, which goes by these files as well: without them, all styles of screens were lost.
  enforce: 'post',
  generateBundle(_, bundle) {
    const chunks = Object.values(bundle).filter((file) => file.type === 'chunk')
    for (const between of chunks.filter(onlyHandsOn)) {
      const [, given, name, piece] = handsOn.exec(between.code) ?? []
      if (!piece) {
        this.warn(`${between.fileName} hands on in a way that is not known, and is fetched besides`)
        continue
      }
      const asked = `import(\`./${basename(between.fileName)}\`)`
      for (const file of chunks)
        file.code = file.code.replaceAll(asked, `import(\`./${piece}\`).then(e=>({${name}:e.${given}}))`)
      Reflect.deleteProperty(bundle, between.fileName)
    }
  },
}

/** All pieces are fetched beside the first, and not after it; the files of other screens stand in the page, for `api/ahead.ts` to do the same. */
export const startBesideFirst: Plugin = {
  name: 'start-beside-first',
  transformIndexHtml: {
    order: 'post',
    handler(html, { bundle = {} }) {
      const chunks = Object.values(bundle).filter((file) => file.type === 'chunk')
      const started = chunks.filter(
        (file) => pieces.some(([name]) => name === file.name) && !onlyHandsOn(file),
      )
      const known = new Set(
        [...chunks.filter((file) => file.isEntry), ...started].map((file) => file.fileName),
      )
      const files = Object.entries(screens).map(([path, view]) => {
        const screen = chunks.find((file) => file.facadeModuleId === view)
        if (!screen) throw new Error(`${path} has no file of its own`)
        return [path, [...filesOf(screen.fileName, bundle, new Set(known))]] as const
      })
      return [
        ...started
          .filter((file) => !html.includes(file.fileName))
          .map((file) => ({
            tag: 'link',
            attrs: { rel: 'modulepreload', crossorigin: true, href: `/${file.fileName}` },
            injectTo: 'head' as const,
          })),
        {
          tag: 'script',
          attrs: { type: 'application/json', id: 'files-of-screens' },
          children: JSON.stringify(Object.fromEntries(files)),
          injectTo: 'body' as const,
        },
      ]
    },
  },
}
