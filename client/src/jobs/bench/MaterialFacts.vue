<script setup lang="ts">
import { tell } from '@/language'
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import { useGardenQuery } from '@/garden/useGarden'
import { evidenceWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import { inSentence, percent, trim } from '@/kit/format'
import { told } from '@/kit/household'

/** All that is known of a material, figure by figure; read when somebody opens it. */
const props = defineProps<{ material: string; name: string }>()
const open = ref(false)
const { data, isPending, error, refetch } = useGardenQuery(
  computed(() => ['material', props.material]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/materials/{material}', {
        params: { path: { gardenId, material: props.material } },
      }),
    ),
  open,
)
const days = (n: number) => (n === 1 ? tell('bench.1Day') : tell('bench.days', { number: trim(n, 1) }))
function meeting(x: { inOneTank: boolean; daysApart: number }): string {
  const apart = { days: days(x.daysApart) }
  if (x.daysApart > 0)
    return x.inOneTank ? tell('bench.apart', apart) : tell('bench.neverInOneTankApart', apart)
  return x.inOneTank ? tell('bench.oneAfterTheOtherIsFine') : tell('bench.neverInOneTank')
}
const rows = computed(() => {
  const m = data.value
  if (!m) return []
  const { cadence: c, cover } = m
  return [
    [tell('bench.group'), m.groupCode ? `${m.groupName} (${m.groupCode})` : m.groupName],
    [tell('bench.evidence'), evidenceWords[m.evidence]],
    [tell('bench.dose'), m.doseText ?? tell('bench.byItsLabel')],
    [
      tell('bench.againstWhatWasFound'),
      c.curativeMinDays === c.curativeMaxDays
        ? c.rounds === 1
          ? tell('bench.everyTime', { days: days(c.curativeMaxDays), rounds: c.rounds })
          : tell('bench.everyRounds', { days: days(c.curativeMaxDays), rounds: c.rounds })
        : c.rounds === 1
          ? tell('bench.everyToTime', {
              curativeMinDays: c.curativeMinDays,
              days: days(c.curativeMaxDays),
              rounds: c.rounds,
            })
          : tell('bench.everyToRounds', {
              curativeMinDays: c.curativeMinDays,
              days: days(c.curativeMaxDays),
              rounds: c.rounds,
            }),
    ],
    [
      tell('bench.upkeep'),
      c.upkeepMinDays === null
        ? tell('garden.none')
        : tell('bench.everyToDays', { upkeepMinDays: c.upkeepMinDays, upkeepMaxDays: c.upkeepMaxDays }),
    ],
    [
      tell('bench.cover'),
      cover.halfLifeDays === null
        ? tell('bench.noneOnceDry')
        : cover.sunHalvesHalfLife
          ? tell('bench.halfIsLeftAfterHalf', {
              days: days(cover.halfLifeDays),
              rain: told('rain', cover.washOffMm ?? 0),
            })
          : tell('bench.halfIsLeftAfterOrAfter', {
              days: days(cover.halfLifeDays),
              rain: told('rain', cover.washOffMm ?? 0),
            }),
    ],
    [tell('bench.dryHoursItWants'), `${trim(m.rainFreeHours, 0)} h`],
    [tell('bench.beforePicking'), m.daysToWait === null ? tell('bench.itsLabelSays') : days(m.daysToWait)],
    [
      tell('bench.onceMixed'),
      m.mixedLifeHours > 48 ? days(m.mixedLifeHours / 24) : `${trim(m.mixedLifeHours, 0)} h`,
    ],
    [tell('bench.kept'), m.storage ?? tell('bench.asItsLabelSays')],
    [tell('bench.helpersItHits'), tell('bench.die', { harmToHelpers: percent(m.harmToHelpers) })],
    [
      tell('almanac.season'),
      m.seasonLimit
        ? tell('bench.timesABedTogether', { most: m.seasonLimit.most, together: m.seasonLimit.together })
        : tell('bench.noLimit'),
    ],
    ...(m.inARowLimit
      ? [[tell('bench.inARow'), tell('bench.timesAtMost', { inARowLimit: m.inARowLimit })]]
      : []),
    ...(m.schools ? [[tell('bench.whereGardenersDiffer'), m.schools]] : []),
    ...(m.assumed.length ? [[tell('bench.assumed'), m.assumed.join(', ')]] : []),
  ] as [string, string][]
})
</script>

<template>
  <details class="card" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>
      <strong>{{ tell('bench.whatIsKnown', { name: inSentence(name) }) }}</strong>
    </summary>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <dl>
        <template v-for="[what, words] in rows" :key="what">
          <dt>{{ what }}</dt>
          <dd>{{ words }}</dd>
        </template>
      </dl>
      <table>
        <caption>
          {{
            tell('bench.shareThatOneSprayKills')
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col">{{ tell('bench.onWhatItWorks') }}</th>
            <th scope="col">{{ tell('bench.eggs') }}</th>
            <th scope="col">{{ tell('bench.youngOrTheDisease') }}</th>
            <th scope="col">{{ tell('bench.grown') }}</th>
            <th scope="col">{{ tell('bench.heldBack') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="e in data.worksOn" :key="e.on">
            <th scope="row">{{ e.on }}</th>
            <td>{{ percent(e.eggs) }}</td>
            <td>{{ percent(e.young) }}</td>
            <td>{{ percent(e.adult) }}</td>
            <td>{{ percent(e.protects) }}</td>
          </tr>
        </tbody>
      </table>
      <h3>{{ tell('bench.mayNotMeet') }}</h3>
      <ul>
        <li v-for="x in data.meetings" :key="x.name">
          <strong>{{ x.name }}</strong>: {{ meeting(x) }}; {{ x.why }}
        </li>
      </ul>
    </template>
  </details>
</template>

<style scoped>
summary {
  min-height: 32px;
}

dl {
  display: grid;
  grid-template-columns: minmax(110px, auto) 1fr;
  gap: 4px 18px;
  margin: 8px 0 14px;
}

dt {
  font-weight: 600;
}

dd {
  margin: 0;
}

table {
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
}

caption {
  text-align: left;
  color: var(--ink-soft);
}

th,
td {
  padding: 4px 12px 4px 0;
  border-top: 1px solid var(--line);
  text-align: left;
}

tbody th {
  font-weight: 400;
}

h3 {
  margin-top: 14px;
}
</style>
