// Tells every message of every language with the library that the client uses, for the test that holds the server's own renderer against it.
import { readdirSync, readFileSync } from 'node:fs'
import { createI18n } from 'vue-i18n'

const folder = new URL('../../languages/', import.meta.url)
const flat = (of, path = '') =>
  Object.entries(of).flatMap(([k, v]) =>
    typeof v === 'string' ? [[`${path}${k}`, v]] : flat(v, `${path}${k}.`),
  )

const told = {}
for (const language of readdirSync(folder))
  for (const file of ['server', 'app']) {
    const messages = flat(JSON.parse(readFileSync(new URL(`${language}/${file}.json`, folder), 'utf8')))
    // Under plain numbers, so that no code is taken for a path.
    const { global } = createI18n({
      legacy: false,
      locale: language,
      messages: { [language]: Object.fromEntries(messages.map(([, text], i) => [`m${i}`, text])) },
    })
    messages.forEach(([code, text], i) => {
      const holes = [...text.matchAll(/\{(\w+)\}/g)].map((m) => m[1])
      for (const n of [0, 1, 2, 7])
        told[`${language} ${file} ${code} ${n}`] = global.t(
          `m${i}`,
          Object.fromEntries([...holes.map((h) => [h, `<${h}>`]), ['n', n]]),
        )
    })
  }
process.stdout.write(JSON.stringify(told))
