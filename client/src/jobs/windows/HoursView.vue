<script setup lang="ts">
import NothingPlanted from '@/garden/NothingPlanted.vue'
import { tell } from '@/language'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { keys, useGarden, useGardenQuery } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import SelectField from '@/kit/SelectField.vue'
import { clock, day } from '@/kit/format'
import HourMap from './HourMap.vue'

const route = useRoute()
const router = useRouter()
const { garden, plantings, plantingOptions: where } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const asked = computed(() => [route.query.planting ?? []].flat().filter((p): p is string => p !== null))
const chosen = computed(() =>
  asked.value.length ? asked.value : plantings.value.slice(0, 1).map((p) => p.id),
)
const material = computed(() =>
  typeof route.query.material === 'string' ? route.query.material : 'insecticidal-soap',
)

const materials = useQuery({
  queryKey: keys.catalogue('materials'),
  queryFn: () => answer(api.GET('/api/catalogue/materials')),
  staleTime: Infinity,
})
const { data, isPending, error, refetch } = useGardenQuery(
  computed(() => ['windows', chosen.value, material.value]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/windows', {
        params: {
          path: { gardenId },
          query: { planting: chosen.value, material: material.value, hours: 240 },
        },
      }),
    ),
  () => chosen.value.length > 0,
)
const go = (change: { planting?: string[]; material?: string }) =>
  router.replace({ name: 'hours', query: { planting: chosen.value, material: material.value, ...change } })
const tone = { good: 'good', poor: 'caution', never: 'stop' } as const
const nowWords = {
  good: tell('windows.nowIsAGoodHour'),
  poor: tell('windows.nowWouldDo'),
  never: tell('windows.whyNotNow'),
} as const
</script>

<template>
  <div class="page wide">
    <div class="page-head">
      <h1>{{ tell('place.goodHours') }}</h1>
      <p v-if="data" class="soft">
        {{ tell('windows.materialnameFor', { materialName: data.materialName, for: data.for.join(', ') }) }}
      </p>
    </div>
    <div class="choices">
      <SelectField
        :model-value="chosen[0]"
        :options="where"
        :label="tell('bench.where')"
        take="id"
        @update:model-value="go({ planting: [$event] })"
      />
      <SelectField
        :model-value="material"
        :options="materials.data.value ?? []"
        :label="tell('ledger.what')"
        show="name"
        take="id"
        @update:model-value="go({ material: $event })"
      />
    </div>
    <NothingPlanted v-if="garden && plantings.length === 0" class="note" />
    <AsyncState v-else-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <p v-if="data.weather.stale" class="note caution">{{ data.weather.sentence }}</p>
      <p v-if="data.hours[0]" class="note" :class="tone[data.hours[0].verdict]" role="status">
        <strong>{{ nowWords[data.hours[0].verdict] }}</strong>
        {{
          data.hours[0].rules
            .filter((r) => r.verdict === data?.hours[0]?.verdict && r.verdict !== 'good')
            .map((r) => r.sentence)
            .join(' ')
        }}
      </p>
      <section aria-labelledby="best">
        <h2 id="best">
          {{ data.best.length ? tell('windows.bestOfTenDays') : tell('windows.noGoodHourInTenDays') }}
        </h2>
        <ol class="best">
          <li
            v-for="w in data.best"
            :key="w.start"
            class="note"
            :class="w.verdict === 'good' ? 'good' : 'caution'"
          >
            <strong>{{ day(w.start, zone) }}, {{ clock(w.start, zone) }} – {{ clock(w.end, zone) }}</strong>
            <span>{{ w.sentence }}</span>
          </li>
        </ol>
      </section>
      <HourMap :hours="data.hours" :time-zone="zone" />
    </template>
  </div>
</template>

<style scoped>
.choices {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 12px;
}

.best {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 10px;
  margin-top: 8px;
}

.best li {
  display: grid;
  gap: 2px;
}

.best strong {
  font: 700 1.1rem var(--heading);
}
</style>
