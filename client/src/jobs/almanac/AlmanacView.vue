<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import { useGardenQuery } from '@/garden/useGarden'
import { injuryWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import PrintButton from '@/kit/PrintButton.vue'
import SelectField from '@/kit/SelectField.vue'
import { civilDay, inSentence, percent } from '@/kit/format'
import LedgerSums from '../ledger/LedgerSums.vue'
import RecordsNav from '../ledger/RecordsNav.vue'
import FirstDatesChart from './FirstDatesChart.vue'
import { told } from '@/kit/household'

/** A season looked back at, and the next one prepared: also the sheet that is printed at its end. */
const route = useRoute()
const router = useRouter()
const year = computed(() => (route.query.year ? Number(route.query.year) : undefined))
const { data, isPending, error, refetch } = useGardenQuery(
  computed(() => ['almanac', year.value]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/almanac', {
        params: { path: { gardenId }, query: { year: year.value } },
      }),
    ),
)
const seasons = computed(() =>
  (data.value?.seasons ?? []).map((s) => ({ value: String(s.year), label: s.name })),
)
const month = (m: string) =>
  new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', month: 'short' }).format(new Date(m))
const seen = computed(() => data.value?.firsts.filter((f) => f.past.length > 0) ?? [])
</script>

<template>
  <div class="page paper">
    <HatchPatterns />
    <RecordsNav />
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <div class="page-head">
        <h1>Almanac of {{ data.season.name }}</h1>
        <SelectField
          v-if="seasons.length > 1"
          class="season no-print"
          label="Season"
          :model-value="String(data.season.year)"
          :options="seasons"
          @update:model-value="router.replace({ query: { year: $event } })"
        />
        <PrintButton label="Print the season" variant="text" />
      </div>
      <p class="summary">{{ data.summary }}</p>
      <LedgerSums :totals="data.totals" />

      <section class="card" aria-labelledby="firsts">
        <h2 id="firsts">What came when</h2>
        <p v-if="seen.length === 0" class="soft">
          Nothing was named yet. First finds are kept for every season, so that next year protection begins in
          time.
        </p>
        <template v-else>
          <FirstDatesChart :firsts="seen" :season="data.season" />
          <ul class="firsts">
            <li v-for="f in seen" :key="f.target">
              <strong>{{ f.name }}</strong>
              <span>
                {{
                  f.past
                    .map(
                      (p) =>
                        `${civilDay(p.day)} ${p.year}${p.degreeDays === null ? '' : ` (${told('degreeDays', p.degreeDays)})`}`,
                    )
                    .join('; ')
                }}.
                <template v-if="f.before">{{ f.before }}</template>
              </span>
              <span class="next">Next season: {{ f.sentence }}</span>
            </li>
          </ul>
        </template>
      </section>

      <div class="two">
        <section class="card" aria-labelledby="worked">
          <h2 id="worked">What worked</h2>
          <p v-if="data.worked.length === 0" class="soft">No spray was judged this season.</p>
          <table v-else>
            <thead>
              <tr>
                <th scope="col">Material</th>
                <th scope="col">Against</th>
                <th scope="col" class="n">Cleared</th>
                <th scope="col" class="n">Holding</th>
                <th scope="col" class="n">Losing</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="w in data.worked" :key="w.material + w.target">
                <td>{{ w.material }}</td>
                <td>{{ w.target }}</td>
                <td class="n">{{ w.cleared }}</td>
                <td class="n">{{ w.holding }}</td>
                <td class="n">{{ w.losing }}</td>
              </tr>
            </tbody>
          </table>
        </section>
        <section class="card" aria-labelledby="burnt">
          <h2 id="burnt">What burnt</h2>
          <p v-if="data.burnt.length === 0" class="soft">Nothing was hurt by a spray.</p>
          <ul v-else>
            <li v-for="b in data.burnt" :key="b.material + b.crop + b.day">
              {{ b.material }} on {{ inSentence(b.crop) }}, {{ civilDay(b.day) }}:
              {{ injuryWords[b.injury].toLowerCase() }}
            </li>
          </ul>
          <h2>The weather</h2>
          <table v-if="data.weather.length">
            <thead>
              <tr>
                <th scope="col">Month</th>
                <th scope="col" class="n">Mean</th>
                <th scope="col" class="n">Rain</th>
                <th scope="col" class="n">Wet nights</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="m in data.weather" :key="m.month">
                <td>{{ month(m.month) }}</td>
                <td class="n">{{ told('temperature', m.meanC) }}</td>
                <td class="n">{{ told('rain', Math.round(m.rainMm)) }}</td>
                <td class="n">{{ m.wetNights }}</td>
              </tr>
            </tbody>
          </table>
          <p v-else class="soft">The weather of that season is not known here.</p>
        </section>
      </div>

      <section class="card" aria-labelledby="places">
        <h2 id="places">Place by place</h2>
        <table>
          <thead>
            <tr>
              <th scope="col">Place</th>
              <th scope="col" class="n">Looks</th>
              <th scope="col">Worst</th>
              <th scope="col" class="n">Sprays</th>
              <th scope="col" class="n">A weekly calendar</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="p in data.places" :key="p.placeId">
              <td>
                <RouterLink
                  :to="{ name: 'story', params: { placeId: p.placeId }, query: { year: data.season.year } }"
                  >{{ p.place }}</RouterLink
                >
              </td>
              <td class="n">{{ p.looks }}</td>
              <td>
                <template v-if="p.worst !== null"
                  >{{ percent(p.worst) }}
                  {{ p.worstOf ? inSentence(p.worstOf) : 'something without a name' }}</template
                ><template v-else>nothing found</template>
              </td>
              <td class="n">{{ p.sprays }}</td>
              <td class="n">{{ p.weeklySprays }}</td>
            </tr>
          </tbody>
        </table>
      </section>

      <section v-if="data.yields.length" class="card" aria-labelledby="yields">
        <h2 id="yields">What was picked</h2>
        <table>
          <thead>
            <tr>
              <th scope="col">Planting</th>
              <th scope="col">Gave</th>
              <th scope="col" class="n">Pickings</th>
              <th scope="col">When</th>
              <th scope="col" class="n">Sprays</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="y in data.yields" :key="y.plantingId">
              <td>{{ y.where }}</td>
              <td>{{ y.given }}</td>
              <td class="n">{{ y.times }}</td>
              <td>
                {{ civilDay(y.first)
                }}<template v-if="y.last !== y.first"> to {{ civilDay(y.last) }}</template>
              </td>
              <td class="n">{{ y.sprays }}</td>
            </tr>
          </tbody>
        </table>
      </section>

      <section class="card" aria-labelledby="shopping">
        <h2 id="shopping">To have in the house next season</h2>
        <p v-if="data.shopping.length === 0" class="soft">
          Nothing was used up this season, so there is nothing to propose.
        </p>
        <ul v-else>
          <li v-for="s in data.shopping" :key="s.material">
            <strong>{{ s.material }}</strong>: {{ s.toBuy > 0 ? `buy ${s.toBuyText}` : 'enough left'
            }}{{ s.cost && s.toBuy > 0 ? `, about ${s.cost.toFixed(2)}` : '' }}.
            <span class="soft">{{ s.because }}</span>
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
.season {
  margin-left: auto;
  min-width: 120px;
}

.summary {
  font-size: 1.1rem;
}

section {
  display: grid;
  gap: 8px;
  align-content: start;
  overflow-x: auto;
}

.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
  gap: 12px;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  font-weight: 600;
  text-align: left;
}

th,
td {
  padding: 5px 8px 5px 0;
  border-bottom: 1px solid var(--line);
}

th.n,
.n {
  text-align: right;
  padding-right: 18px;
}

.firsts li {
  display: grid;
  grid-template-columns: 180px 1fr;
  gap: 0 14px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}

.next {
  grid-column: 2;
  color: var(--mauve-deep);
}

@media (max-width: 640px) {
  .firsts li {
    grid-template-columns: 1fr;
  }

  .next {
    grid-column: 1;
  }
}
</style>
