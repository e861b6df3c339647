#!/usr/bin/env bash
# Builds everything, runs every check, and closes with the true totals of all runners: 'N passed, N failed'.
set -uo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
root=$PWD out=$PWD/artifacts bad=0
export CI=true NO_COLOR=1 DOTNET_CLI_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1
# Tools that run once gain nothing from being compiled a second time by what they did.
export DOTNET_TieredPGO=0
# Nor from being compiled again before it has run often (in hexadecimal; the usual is 1E).
export DOTNET_TC_CallCountThreshold=400
rm -rf "$out/logs" "$out/app" "$out/standins" "$out/app.stamp"
mkdir -p "$out/logs"

run() { # run FOLDER NAME COMMAND...
  local dir=$1 name=$2 from=$SECONDS; shift 2
  if (cd "$root/$dir" && "$@") > "$out/logs/$name.log" 2>&1; then
    echo "ok   $name ($((SECONDS - from)) s)"
  else
    echo "FAIL $name ($((SECONDS - from)) s)"; tail -40 "$out/logs/$name.log"; bad=1; return 1
  fi
}
must() { run "$@" || { echo "0 passed, 1 failed"; exit 1; }; }

# Without a window: the same engine takes half the processor. A chromium that is there will do where nothing can be installed.
install_chromium() {
  [ -x "${CHROMIUM_PATH:-/usr/bin/chromium-headless-shell}" ] && return
  local as_root=''
  [ "$(id -u)" = 0 ] || as_root=sudo
  $as_root apt-get update && DEBIAN_FRONTEND=noninteractive $as_root apt-get install -y --no-install-recommends chromium-headless-shell \
    || [ -x /usr/bin/chromium ]
}

client_is_current() { git diff --exit-code -- openapi client/src/api/schema.d.ts; }

# What does not wait for each other runs beside each other; each batch ends before the next begins.
beside() { # beside: waits for all that was started, and notes whether one failed
  local job
  for job in "$@"; do wait "$job" || bad=1; done
}

must_all() { # must_all PID...: as beside, and ends here when one failed
  beside "$@"
  [ "$bad" = 0 ] || { echo "0 passed, 1 failed"; exit 1; }
}

run . chromium install_chromium & chromium=$!
# What analyzers find is an error of the build itself; this is the layout of the text.
cs_format() { dotnet tool restore && dotnet csharpier check src tests bench; }
# What needs no client is built while its packages come.
build_core() {
  run . restore dotnet restore Mauvaise.slnx --locked-mode || return 1
  run . build-core dotnet build tests/Mauvaise.Core.Tests -c Release --no-restore || return 1
  run . cs-format cs_format
}
build_client() { run . npm-ci npm ci && touch "$out/packages.stamp" && run client vite npm run build; }
build_core & core=$!
build_client & client=$!
must_all "$chromium" "$core" "$client"
client_checks() {
  bad=0
  run . format npm run format || bad=1
  run . lint npm run lint || bad=1
  run client types npm run typecheck || bad=1
  run tests/e2e types-e2e npm run typecheck || bad=1
  run client vitest npx vitest run --reporter=default --reporter=json --outputFile.json="$out/logs/vitest.json" || bad=1
  return $bad
}
run . build dotnet build Mauvaise.slnx -c Release --no-restore & build=$!
client_checks & checks=$!
must_all "$build"
# Not compiled ahead: that takes a minute and a half, and saves each app that is started here a second or two.
must . publish     dotnet publish src/Mauvaise.Web -c Release --no-build -p:PublishReadyToRun=false -o "$out/app"
must . publish-standins dotnet publish src/Mauvaise.StandIns -c Release --no-build -o "$out/standins"
beside "$checks"
must client gen    npm run gen
run  . client-is-current client_is_current || bad=1
run  . dotnet-test dotnet test --solution Mauvaise.slnx -c Release --no-build --no-ansi --no-progress || bad=1
# By itself: beside the .NET tests both take twice as long, and the browser's time limits are met by chance.
PLAYWRIGHT_JSON_OUTPUT_NAME="$out/logs/e2e.json" E2E_ARTIFACTS="$out" run tests/e2e e2e npx playwright test --reporter=list,json || bad=1

node --input-type=commonjs - "$bad" "$out/logs" <<'J'
const { readFileSync } = require('node:fs')
const [bad, logs] = process.argv.slice(2)
let passed = 0, failed = 0, skipped = 0
const add = (file, count) => {
  try { const [p, f, s] = count(readFileSync(`${logs}/${file}`, 'utf8')); passed += p; failed += f; skipped += s }
  catch { failed++ }
}
add('dotnet-test.log', (t) => ['succeeded', 'failed', 'skipped'].map((k) => Number(t.match(new RegExp(`^\\s+${k}: (\\d+)\\s*$`, 'm'))[1])))
add('vitest.json', (t) => { const j = JSON.parse(t); return [j.numPassedTests, j.numFailedTests, j.numPendingTests] })
add('e2e.json', (t) => { const s = JSON.parse(t).stats; return [s.expected, s.unexpected + s.flaky, s.skipped] })
if (bad === '1' && !failed) failed = 1
console.log(`${passed} passed, ${failed} failed${skipped ? `, ${skipped} skipped` : ''}`)
process.exitCode = failed ? 1 : 0
J
