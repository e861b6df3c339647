// Writes sun.csv: the sun over random places and instants of 1990 to 2060 by an independent implementation (astronomy-engine,
// VSOP87 with light time, aberration and nutation). Run from tests/e2e, where that package is: node ../cases/make-sun.mjs
import { createRequire } from 'node:module'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import process from 'node:process'
import { fileURLToPath, URL } from 'node:url'

const require = createRequire(join(process.cwd(), 'package.json'))
const { Body, Equator, Horizon, Observer, SearchAltitude } = require('astronomy-engine')

/** Mulberry32: the same places in every run. */
let state = 20260716
const random = () => {
  state = (state + 0x6d2b79f5) | 0
  let t = Math.imul(state ^ (state >>> 15), 1 | state)
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296
}
const from = Date.UTC(1990, 0, 1)
const to = Date.UTC(2060, 0, 1)
const rows = ['latitude,longitude,at,elevation,azimuth,noon,sunrise,sunset']
for (let i = 0; i < 2000; i++) {
  const latitude = Math.round((random() * 170 - 85) * 1000) / 1000
  const longitude = Math.round((random() * 360 - 180) * 1000) / 1000
  const at = new Date(Math.floor((from + random() * (to - from)) / 1000) * 1000)
  // At sea level on the centre of the earth's own parallax: our ephemeris leaves out the sun's 0.002 degrees of it.
  const place = new Observer(latitude, longitude, 0)
  const equator = Equator(Body.Sun, at, place, true, true)
  const horizon = Horizon(at, place, equator.ra, equator.dec, null)
  const day = at.toISOString().slice(0, 10)
  const noon = new Date(Date.parse(`${day}T12:00:00Z`) - (longitude / 15) * 3_600_000)
  const cross = (direction, start) => SearchAltitude(Body.Sun, place, direction, start, 0.55, -0.833)
  const rise = cross(1, new Date(noon.getTime() - 12.3 * 3_600_000))
  const set = cross(-1, noon)
  const told = (found) => (found ? found.date.toISOString() : '')
  rows.push(
    [
      latitude,
      longitude,
      at.toISOString(),
      horizon.altitude.toFixed(5),
      horizon.azimuth.toFixed(5),
      day,
      told(rise),
      told(set),
    ].join(','),
  )
}
writeFileSync(fileURLToPath(new URL('sun.csv', import.meta.url)), rows.join('\n') + '\n')
