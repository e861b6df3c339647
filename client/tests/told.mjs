// Tells every message of every language with the library that the client uses, for the test that holds the server's own renderer against it.
import { compile, createMessageContext } from '@intlify/core-base'
import { readdirSync, readFileSync } from 'node:fs'

const folder = new URL('../../languages/', import.meta.url)
const flat = (of, path = '') =>
  Object.entries(of).flatMap(([k, v]) =>
    typeof v === 'string' ? [[`${path}${k}`, v]] : flat(v, `${path}${k}.`),
  )

const told = {}
for (const language of readdirSync(folder))
  for (const file of ['server', 'app']) {
    const messages = flat(JSON.parse(readFileSync(new URL(`${language}/${file}.json`, folder), 'utf8')))
    for (const [code, text] of messages) {
      const holes = [...text.matchAll(/\{(\w+)\}/g)].map((m) => m[1])
      for (const n of [0, 1, 2, 7]) {
        const named = Object.fromEntries([...holes.map((h) => [h, `<${h}>`]), ['n', n]])
        told[`${language} ${file} ${code} ${n}`] = compile(text, { locale: language, key: code })(
          createMessageContext({ locale: language, named }),
        )
      }
    }
  }
process.stdout.write(JSON.stringify(told))
