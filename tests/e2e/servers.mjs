/**
 * Starts every server that the tests want, beside each other, and answers on a port of its own once all of them do: one after the other they
 * would take as long as a quarter of the tests.
 * Arguments: the port, and a JSON list of rounds, each a list of { command: [program, ...arguments], cwd, url }. A round begins when the one
 * before it answers.
 */
import { spawn } from 'node:child_process'
import { createServer } from 'node:http'
import { setTimeout } from 'node:timers/promises'

const [port, list] = process.argv.slice(2)
const running = []
let stopping = false
function stop(code) {
  if (stopping) return
  stopping = true
  for (const child of running) child.kill('SIGTERM')
  const ended = running.map((c) => (c.exitCode === null ? new Promise((done) => c.on('exit', done)) : null))
  void Promise.all(ended).then(() => process.exit(code))
}
process.on('SIGTERM', () => stop(0))
process.on('SIGINT', () => stop(0))

function start({ command, cwd }) {
  const child = spawn(command[0], command.slice(1), { cwd, stdio: 'inherit' })
  running.push(child)
  child.on('exit', (code) => {
    if (stopping) return
    console.error(`${command.join(' ')} ended with ${code}.`)
    stop(1)
  })
}
async function answers({ url }) {
  while (!stopping) {
    const answer = await fetch(url).catch(() => null)
    if (answer?.ok) return
    await setTimeout(200)
  }
}
for (const round of JSON.parse(list)) {
  round.forEach(start)
  await Promise.all(round.map(answers))
}
createServer((_, response) => response.end('ready')).listen(Number(port), '127.0.0.1')
