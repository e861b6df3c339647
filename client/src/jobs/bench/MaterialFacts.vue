<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import { useGardenQuery } from '@/garden/useGarden'
import { dosedPerWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import { inSentence, percent, trim } from '@/kit/format'

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
const days = (n: number) => (n === 1 ? '1 day' : `${trim(n, 1)} days`)
const rows = computed(() => {
  const m = data.value
  if (!m) return []
  const { doses, cadence: c, cover } = m
  return [
    ['Group', m.groupCode ? `${m.groupName} (${m.groupCode})` : m.groupName],
    ['Evidence', m.evidence],
    [
      'Dose',
      doses
        ? `${trim(doses.gentle, 2)} gentle, ${trim(doses.usual, 2)} usual, ${trim(doses.strong, 2)} strong, ${trim(doses.ceiling, 2)} at most, ${doses.unit} ${dosedPerWords[doses.per ?? 'litre']}`
        : 'by its label',
    ],
    [
      'Against what was found',
      `every ${c.curativeMinDays === c.curativeMaxDays ? '' : `${c.curativeMinDays} to `}${days(c.curativeMaxDays)}, ${c.rounds} ${c.rounds === 1 ? 'time' : 'rounds'}`,
    ],
    ['Upkeep', c.upkeepMinDays === null ? 'none' : `every ${c.upkeepMinDays} to ${c.upkeepMaxDays} days`],
    [
      'Cover',
      cover.halfLifeDays === null
        ? 'none once dry'
        : `half is left after ${days(cover.halfLifeDays)}${cover.sunHalvesHalfLife ? ', half as long in full sun' : ''}, or after ${trim(cover.washOffMm ?? 0, 1)} mm of rain`,
    ],
    ['Dry hours it wants', `${trim(m.rainFreeHours, 0)} h`],
    ['Before picking', m.daysToWait === null ? 'its label says' : days(m.daysToWait)],
    ['Once mixed', m.mixedLifeHours > 48 ? days(m.mixedLifeHours / 24) : `${trim(m.mixedLifeHours, 0)} h`],
    ['Kept', m.storage ?? 'as its label says'],
    ['Helpers it hits', `${percent(m.harmToHelpers)} die`],
    [
      'Season',
      m.seasonLimit ? `${m.seasonLimit.most} times a bed, ${m.seasonLimit.together} together` : 'no limit',
    ],
    ...(m.inARowLimit ? [['In a row', `${m.inARowLimit} times at most`]] : []),
    ...(m.schools ? [['Where gardeners differ', m.schools]] : []),
    ...(m.assumed.length ? [['Assumed', m.assumed.join(', ')]] : []),
  ] as [string, string][]
})
</script>

<template>
  <details class="card" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>
      <strong>What is known of {{ inSentence(name) }}</strong>
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
          Share that one spray kills, and that cover holds back
        </caption>
        <thead>
          <tr>
            <th scope="col">on</th>
            <th scope="col">eggs</th>
            <th scope="col">young, or the disease</th>
            <th scope="col">grown</th>
            <th scope="col">held back</th>
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
      <h3>May not meet</h3>
      <ul>
        <li v-for="x in data.meetings" :key="x.name">
          <strong>{{ x.name }}</strong>: {{ x.inOneTank ? '' : 'never in one tank, '
          }}{{ x.daysApart > 0 ? `${days(x.daysApart)} apart` : 'one after the other is fine' }};
          {{ x.why }}
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
