#!/usr/bin/env bash
# Which share of the lines the tests run: of the core by its own tests, of store and web by the tests on the API, of the client by its unit tests.
# What the browser's tests run is not counted.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
out=$PWD/artifacts/coverage
rm -rf "$out" && mkdir -p "$out"
npm run --silent build -w client -- --logLevel error
dotnet build Mauvaise.slnx -c Release -v q --nologo
# Tests of the commands start another build of the app, and both builds together are counted as none.
for part in Core Web; do
  dotnet test --project "tests/Mauvaise.$part.Tests" -c Release --no-build --no-ansi --no-progress \
    --filter-not-class '*.CommandTests' --coverage --coverage-output-format cobertura --coverage-output "$out/$part.xml" \
    > "$out/$part.log" || { tail -20 "$out/$part.log"; exit 1; }
done
(cd client && npx vitest run --coverage --coverage.include='src/**' --coverage.exclude='src/api/schema.d.ts' \
  --coverage.reporter=json-summary --coverage.reportsDirectory="$out/client") > "$out/client.log" 2>&1 || { tail -20 "$out/client.log"; exit 1; }

node --input-type=commonjs - "$out" <<'J'
const { readFileSync } = require('node:fs')
const out = process.argv[2]
/** Lines that can be run and that were, of one assembly, without what is generated. */
function lines(file, assembly) {
  let all = 0, run = 0
  const report = readFileSync(`${out}/${file}.xml`, 'utf8')
  const start = report.indexOf(`<package line-rate`), packages = report.slice(start).split('<package ')
  for (const part of packages.filter((p) => p.includes(`name="${assembly}"`)))
    for (const c of part.split('<class ').slice(1)) {
      if (/filename="[^"]*(?:\/obj\/|Migrations)/.test(c)) continue
      const own = c.slice(c.indexOf('</methods>'))
      for (const [, hits] of own.matchAll(/<line number="\d+" hits="(\d+)"/g)) (all++, hits !== '0' && run++)
    }
  return [run, all]
}
const said = (name, [run, all]) => console.log(`${name}: ${((100 * run) / all).toFixed(1)} % of ${all} lines`)
said('core, by its own tests', lines('Core', 'Mauvaise.Core'))
said('store, by the tests on the API', lines('Web', 'Mauvaise.Store'))
said('web, by the tests on the API', lines('Web', 'Mauvaise.Web'))
const { total } = JSON.parse(readFileSync(`${out}/client/coverage-summary.json`, 'utf8'))
said('client, by its unit tests', [total.lines.covered, total.lines.total])
J
