<script setup lang="ts">
import { tell, writing, remarked } from '@/language'
import { dateFormat } from '@/language/formatters'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import { useGardenQuery } from '@/garden/useGarden'
import { injuryWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import PrintButton from '@/kit/PrintButton.vue'
import SelectField from '@/kit/SelectField.vue'
import { civilDay, inSentence, money, percent } from '@/kit/format'
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
const month = (m: string) => dateFormat(writing(), { timeZone: 'UTC', month: 'short' }).format(new Date(m))
const seen = computed(() => data.value?.firsts.filter((f) => f.past.length > 0) ?? [])
</script>

<template>
  <div class="page paper">
    <HatchPatterns />
    <RecordsNav />
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <div class="page-head">
        <h1>{{ tell('almanac.almanacOf', { season: data.season.name }) }}</h1>
        <SelectField
          v-if="seasons.length > 1"
          class="season no-print"
          :label="tell('almanac.season')"
          :model-value="String(data.season.year)"
          :options="seasons"
          @update:model-value="router.replace({ query: { year: $event } })"
        />
        <PrintButton :label="tell('almanac.printTheSeason')" variant="text" />
      </div>
      <p class="summary">{{ data.summary }}</p>
      <LedgerSums :totals="data.totals" />

      <section class="card" aria-labelledby="firsts">
        <h2 id="firsts">{{ tell('almanac.whatCameWhen') }}</h2>
        <p v-if="seen.length === 0" class="soft">
          {{ tell('almanac.nothingWasNamedYetFirstFinds') }}
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
              <span class="next">{{ tell('almanac.nextSeason', { sentence: f.sentence }) }}</span>
            </li>
          </ul>
        </template>
      </section>

      <div class="two">
        <section class="card" aria-labelledby="worked">
          <h2 id="worked">{{ tell('almanac.whatWorked') }}</h2>
          <p v-if="data.worked.length === 0" class="soft">{{ tell('almanac.noSprayWasJudgedThisSeason') }}</p>
          <table v-else>
            <thead>
              <tr>
                <th scope="col">{{ tell('almanac.material') }}</th>
                <th scope="col">{{ tell('almanac.against') }}</th>
                <th scope="col" class="n">{{ tell('garden.cleared') }}</th>
                <th scope="col" class="n">{{ tell('garden.holding') }}</th>
                <th scope="col" class="n">{{ tell('garden.losing') }}</th>
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
          <h2 id="burnt">{{ tell('almanac.whatBurnt') }}</h2>
          <p v-if="data.burnt.length === 0" class="soft">{{ tell('almanac.nothingWasHurtByASpray') }}</p>
          <ul v-else>
            <li v-for="b in data.burnt" :key="b.material + b.crop + b.day">
              {{
                tell('almanac.materialCropDay', {
                  material: b.material,
                  crop: inSentence(b.crop),
                  day: civilDay(b.day),
                  injuryWords: inSentence(injuryWords[b.injury]),
                })
              }}
            </li>
          </ul>
          <h2>{{ tell('almanac.theWeather') }}</h2>
          <table v-if="data.weather.length">
            <thead>
              <tr>
                <th scope="col">{{ tell('almanac.month') }}</th>
                <th scope="col" class="n">{{ tell('almanac.mean') }}</th>
                <th scope="col" class="n">{{ tell('almanac.rain') }}</th>
                <th scope="col" class="n">{{ tell('almanac.wetNights') }}</th>
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
          <p v-else class="soft">{{ tell('almanac.theWeatherOfThatSeason') }}</p>
        </section>
      </div>

      <section class="card" aria-labelledby="places">
        <h2 id="places">{{ tell('almanac.placeByPlace') }}</h2>
        <table>
          <thead>
            <tr>
              <th scope="col">{{ tell('almanac.place') }}</th>
              <th scope="col" class="n">{{ tell('almanac.looks') }}</th>
              <th scope="col">{{ tell('almanac.worst') }}</th>
              <th scope="col" class="n">{{ tell('garden.sprays') }}</th>
              <th scope="col" class="n">{{ tell('almanac.aWeeklyCalendar') }}</th>
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
                  {{ p.worstOf ? inSentence(p.worstOf) : tell('almanac.somethingWithoutAName') }}</template
                ><template v-else>{{ tell('almanac.nothingFound') }}</template>
              </td>
              <td class="n">{{ p.sprays }}</td>
              <td class="n">{{ p.weeklySprays }}</td>
            </tr>
          </tbody>
        </table>
      </section>

      <section v-if="data.yields.length" class="card" aria-labelledby="yields">
        <h2 id="yields">{{ tell('almanac.whatWasPicked') }}</h2>
        <table>
          <thead>
            <tr>
              <th scope="col">{{ tell('almanac.planting') }}</th>
              <th scope="col">{{ tell('almanac.gave') }}</th>
              <th scope="col" class="n">{{ tell('almanac.pickings') }}</th>
              <th scope="col">{{ tell('almanac.when') }}</th>
              <th scope="col" class="n">{{ tell('garden.sprays') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="y in data.yields" :key="y.plantingId">
              <td>{{ y.where }}</td>
              <td>{{ y.given }}</td>
              <td class="n">{{ y.times }}</td>
              <td>
                {{
                  y.last === y.first
                    ? civilDay(y.first)
                    : tell('almanac.fromTo', { first: civilDay(y.first), last: civilDay(y.last) })
                }}
              </td>
              <td class="n">{{ y.sprays }}</td>
            </tr>
          </tbody>
        </table>
      </section>

      <section v-if="data.varieties.length" class="card" aria-labelledby="varieties">
        <h2 id="varieties">{{ tell('almanac.otherVarieties') }}</h2>
        <ul>
          <li v-for="v in data.varieties" :key="v">{{ v }}</li>
        </ul>
      </section>

      <section class="card" aria-labelledby="shopping">
        <h2 id="shopping">{{ tell('almanac.toHaveInTheHouseNext') }}</h2>
        <p v-if="data.shopping.length === 0" class="soft">
          {{ tell('almanac.nothingWasUsedUpThisSeason') }}
        </p>
        <ul v-else>
          <li v-for="s in data.shopping" :key="s.material">
            <strong>{{ s.material }}</strong>:
            {{
              s.toBuy > 0
                ? remarked(
                    tell('almanac.buy', { toBuyText: s.toBuyText }),
                    s.cost && tell('almanac.about', { cost: money(s.cost) }),
                  )
                : tell('almanac.enoughLeft')
            }}.
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
