// Keeps answers of an app for the client's tests: node tests/record.mjs answers http://localhost:5180 ADDRESS...
// "answers" are those of a demo that was just begun, "answers-empty" those of a garden with one bed and nothing in it.
// Without addresses all that are kept are asked for anew.
import { readFileSync, writeFileSync } from 'node:fs'

const [name, at, ...addresses] = process.argv.slice(2)
const file = new URL(`./${name}.json`, import.meta.url)
const answers = JSON.parse(readFileSync(file, 'utf8'))
for (const address of addresses.length ? addresses : Object.keys(answers)) {
  const answered = await fetch(at + address, { headers: { 'Accept-Language': 'en' } })
  if (!answered.ok) throw new Error(`${address}: ${answered.status} ${await answered.text()}`)
  answers[address] = await answered.json()
}
// One line an address, in order: so that a change shows where it is.
const lines = Object.keys(answers)
  .sort()
  .map((address) => `${JSON.stringify(address)}: ${JSON.stringify(answers[address])}`)
writeFileSync(file, `{\n${lines.join(',\n')}\n}\n`)
