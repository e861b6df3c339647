<script setup lang="ts">
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import { useGarden } from '@/garden/useGarden'
import { ledgerKindWords, options } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import PrintButton from '@/kit/PrintButton.vue'
import SelectField from '@/kit/SelectField.vue'
import { clock, day, inSentence } from '@/kit/format'
import LedgerSums from './LedgerSums.vue'
import RecordsNav from './RecordsNav.vue'
import SeasonByPlace from './SeasonByPlace.vue'
import TableIn from './TableIn.vue'
import { useLedger } from './useLedger'

const router = useRouter()
const { garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const { ask, query, set, clear, more, table } = useLedger()
const { data, isPending, error, refetch } = query
/** An empty value would show as nothing chosen. */
const any = { value: 'any', label: tell('ledger.any') }
const places = computed(() => [
  any,
  ...(garden.value?.places ?? []).map((p) => ({ value: p.id, label: p.name })),
])
const people = computed(() => [
  any,
  ...(garden.value?.members ?? []).map((m) => ({ value: m.id, label: m.name })),
])
const named = (list: { id: string; name: string }[] | undefined) => [
  any,
  ...(list ?? []).map((x) => ({ value: x.id, label: x.name })),
]
const seasons = computed(() => [
  { value: 'any', label: tell('ledger.all') },
  ...(data.value?.choices.seasons ?? []).map((s) => ({ value: s.from, label: s.name })),
])
function season(from: string) {
  const s = data.value?.choices.seasons.find((x) => x.from === from)
  set({ from: s?.from, to: s?.to })
}
const said = <T extends string>(value: T | 'any') => (value === 'any' ? undefined : (value as T))
const narrowed = computed(() => Object.values(ask.value).some(Boolean))
/** Entries under their day. */
const days = computed(() => {
  const result: { day: string; entries: NonNullable<typeof data.value>['entries'] }[] = []
  for (const e of data.value?.entries ?? []) {
    const on = day(e.at, zone.value)
    const last = result[result.length - 1]
    if (last?.day === on) last.entries.push(e)
    else result.push({ day: on, entries: [e] })
  }
  return result
})
</script>

<template>
  <div class="page paper">
    <HatchPatterns />
    <RecordsNav />
    <div class="page-head">
      <h1>{{ tell('ledger.ledger') }}</h1>
      <p v-if="data" class="soft">
        {{ data.total }} {{ data.total === 1 ? tell('ledger.entry') : tell('ledger.entries') }}
      </p>
    </div>
    <div class="actions no-print">
      <Button
        :label="tell('ledger.logASprayByHand')"
        variant="outlined"
        @click="router.push({ name: 'by-hand' })"
      />
      <a class="out" :href="table" download>{{ tell('ledger.saveAsATable') }}</a>
      <PrintButton variant="text" />
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <p v-if="error" class="note stop" role="alert">{{ error.message }}</p>
      <SeasonByPlace
        v-if="data.picture.rows.length"
        :picture="data.picture"
        @place="set({ place: $event })"
      />
      <LedgerSums :totals="data.totals" />
      <details class="no-print" :open="narrowed">
        <summary>{{ narrowed ? tell('ledger.onlyAPartIsShown') : tell('ledger.showOnlyAPart') }}</summary>
        <section class="filters" :aria-label="tell('ledger.whatIsShown')">
          <SelectField
            :model-value="ask.kind ?? 'any'"
            :label="tell('ledger.what')"
            :options="[any, ...options(ledgerKindWords)]"
            @update:model-value="set({ kind: said($event) })"
          />
          <SelectField
            :model-value="seasons.find((s) => s.value === ask.from)?.value ?? 'any'"
            :label="tell('almanac.season')"
            :options="seasons"
            @update:model-value="season"
          />
          <SelectField
            :model-value="ask.place ?? 'any'"
            :label="tell('almanac.place')"
            :options="places"
            @update:model-value="set({ place: said($event) })"
          />
          <SelectField
            :model-value="ask.material ?? 'any'"
            :label="tell('almanac.material')"
            :options="named(data?.choices.materials)"
            @update:model-value="set({ material: said($event) })"
          />
          <SelectField
            :model-value="ask.target ?? 'any'"
            :label="tell('almanac.against')"
            :options="named(data?.choices.targets)"
            @update:model-value="set({ target: said($event) })"
          />
          <SelectField
            :model-value="ask.member ?? 'any'"
            :label="tell('ledger.who')"
            :options="people"
            @update:model-value="set({ member: said($event) })"
          />
          <div class="field">
            <label for="ledger-from">{{ tell('ledger.from') }}</label>
            <input
              id="ledger-from"
              type="date"
              :value="ask.from"
              @change="set({ from: ($event.target as HTMLInputElement).value || undefined })"
            />
          </div>
          <div class="field">
            <label for="ledger-to">{{ tell('ledger.to') }}</label>
            <input
              id="ledger-to"
              type="date"
              :value="ask.to"
              @change="set({ to: ($event.target as HTMLInputElement).value || undefined })"
            />
          </div>
        </section>
      </details>
      <details v-if="data.proven.length">
        <summary>{{ tell('ledger.provenHereByYourWord', { proven: data.proven.length }) }}</summary>
        <ul class="proven">
          <li v-for="p in data.proven" :key="p">{{ p }}</li>
        </ul>
      </details>
      <p v-if="data.total === 0" class="note">
        <template v-if="narrowed"
          >{{ tell('ledger.nothingFits') }}
          <Button
            :label="tell('ledger.showEverything')"
            size="small"
            variant="text"
            @click="clear" /></template
        ><template v-else>{{ tell('ledger.nothingWasDoneYetWhateverYou') }}</template>
      </p>
      <section v-for="d in days" :key="d.day" class="day" :aria-label="d.day">
        <h2>{{ d.day }}</h2>
        <ul>
          <li v-for="e in d.entries" :key="e.id" :class="{ struck: e.struck }">
            <span class="soft time">{{ clock(e.at, zone) }}</span>
            <svg v-if="e.hatch" width="14" height="28" aria-hidden="true">
              <rect class="swatch" width="14" height="28" :fill="`url(#hatch-${e.hatch})`" />
            </svg>
            <span v-else class="kind" :class="e.kind" aria-hidden="true" />
            <span class="what">
              <RouterLink
                v-if="e.kind === 'spray'"
                :to="{ name: 'spray-record', params: { sprayId: e.id } }"
                >{{ e.title }}</RouterLink><RouterLink
                v-else-if="e.checkBackId"
                :to="{ name: 'check-back', params: { checkBackId: e.checkBackId } }"
                >{{ e.title }}</RouterLink
              ><strong v-else>{{ e.title }}</strong>
              <span class="soft">
                {{
                  remarked(
                    e.where.join(', '),
                    e.targetName &&
                      e.kind !== 'count' &&
                      tell('bench.against', { targetName: inSentence(e.targetName) }),
                  )
                }}</span
              >
              <span v-if="e.note" class="note-text">“{{ e.note }}”</span>
            </span>
            <span class="detail">
              {{ e.detail }}
              <span v-if="e.struck">{{ tell('ledger.struckOut') }}</span><span v-else-if="e.corrected">{{
                tell('ledger.putRight')
              }}</span>
            </span>
            <span class="soft who">{{ e.who }}</span>
          </li>
        </ul>
      </section>
      <div v-if="data.entries.length < data.total" class="actions no-print">
        <Button
          :label="tell('ledger.showMore', { total: data.total - data.entries.length })"
          variant="outlined"
          @click="more"
        />
      </div>
      <TableIn />
    </template>
  </div>
</template>

<style scoped>
.filters {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px;
}

input[type='date'] {
  min-width: 0;
}

.day h2 {
  padding-bottom: 4px;
  border-bottom: 1px solid var(--line);
  font-size: 1.05rem;
}

.day li {
  display: grid;
  grid-template-columns: 48px 14px minmax(0, 1fr) minmax(120px, 240px) 56px;
  gap: 4px 10px;
  align-items: center;
  min-height: 44px;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}

.what {
  display: flex;
  flex-wrap: wrap;
  gap: 0 6px;
}

.note-text {
  width: 100%;
  font-style: italic;
}

.swatch {
  stroke: var(--ink-soft);
}

.kind {
  width: 12px;
  height: 12px;
  border: 2px solid var(--brick);
  border-radius: 50%;
}

.kind.task {
  border-color: var(--mauve);
  border-radius: 2px;
}

.kind.check {
  border-color: var(--amber);
  transform: rotate(45deg);
  border-radius: 0;
}

.struck .what,
.struck .detail {
  text-decoration: line-through;
}

@media (max-width: 640px) {
  .day li {
    grid-template-columns: 44px 14px minmax(0, 1fr);
  }

  .detail,
  .who {
    grid-column: 3;
  }
}
</style>
