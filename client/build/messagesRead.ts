import { baseCompile } from '@intlify/message-compiler'
import { readFile } from 'node:fs/promises'
import type { Plugin } from 'vite'

interface Texts {
  [code: string]: string | Texts
}

/** What the formatter walks; a message that cannot be read ends the build, which would else say half of it. */
function parted(code: string, text: string): object {
  const onError = ({ message }: Error) => {
    throw new Error(`${code}: ${message} in "${text}"`)
  }
  return baseCompile(text, { jit: true, minify: true, location: false, onError }).ast
}

/** Messages by their codes, from the outermost name to the innermost. */
export function* readOf(texts: Texts, above = ''): Generator<[code: string, message: string | object]> {
  for (const [name, text] of Object.entries(texts)) {
    const code = above + name
    if (typeof text !== 'string') yield* readOf(text, `${code}.`)
    else yield [code, /[{}|@]/.test(text) ? parted(code, text) : text]
  }
}

const read = /^\0read:(.*)$/

/**
 * Gives the messages of a language by their codes, those with holes or forms as the formatter walks them: what would read them is more code than the
 * formatter itself, and each start would run it anew.
 */
export const messagesReadAtBuild: Plugin = {
  name: 'messages-read-at-build',
  enforce: 'pre',
  async resolveId(id, importer) {
    if (!id.endsWith('/app.json?read')) return
    const file = (await this.resolve(id.replace(/\?read$/, ''), importer))?.id
    return file && `\0read:${file.replace(/\.json$/, '')}`
  },
  async load(id) {
    const file = read.exec(id)?.[1]
    if (!file) return
    this.addWatchFile(`${file}.json`)
    const texts = JSON.parse(await readFile(`${file}.json`, 'utf8')) as Texts
    const messages = JSON.stringify(Object.fromEntries(readOf(texts)))
    return `export default JSON.parse(${JSON.stringify(messages)})`
  },
}
