<script setup lang="ts">
import { tell } from '@/language'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { keys, useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import { civilDay } from '@/kit/format'
import WorkGroup from './WorkGroup.vue'
import { usePrevention } from './usePrevention'

/** Work before anything is found: what is due now first, what comes later and what holds below it. */
const { gardenId } = useGarden()
const { data, isPending, error, refetch } = useQuery({
  queryKey: computed(() => keys.of(gardenId.value, 'prevention')),
  queryFn: () =>
    answer(api.GET('/api/gardens/{gardenId}/prevention', { params: { path: { gardenId: gardenId.value } } })),
  enabled: computed(() => gardenId.value !== ''),
})
type Work = Schemas['PreventiveWorkAnswer'] & { step: string; name: string }
const groups = computed(() => data.value?.groups ?? [])
const due = computed(() =>
  groups.value.filter((g) => g.work.some((w) => w.state === 'due' || w.state === 'planned')),
)
const rest = (state: Schemas['PreventionState']) =>
  groups.value.flatMap((g) =>
    g.work.filter((w) => w.state === state).map((w): Work => ({ ...w, step: g.step, name: g.name })),
  )
const others = computed(() =>
  [
    { title: tell('before.laterBeforeTheyFly'), work: rest('later'), again: false },
    { title: tell('before.doneAndHolds'), work: rest('holds'), again: false },
    { title: tell('before.notThisSeason'), work: rest('letBe'), again: true },
  ].filter((o) => o.work.length > 0),
)
const { say } = usePrevention()
const until = (work: Work) => (work.on ? civilDay(work.on) : tell('before.theEndOfTheSeason'))
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>{{ tell('before.beforeTrouble') }}</h1>
      <p v-if="data" class="soft">{{ data.sentence }}</p>
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <FieldError :problem="say.error.value" />
      <div class="due">
        <WorkGroup v-for="group in due" :key="group.step" :group="group" />
      </div>
      <details v-for="other in others" :key="other.title" class="card">
        <summary>
          <strong>{{ other.title }}</strong> <span class="soft">{{ other.work.length }}</span>
        </summary>
        <ul>
          <li v-for="work in other.work" :key="work.step + work.plantingId">
            <span>
              {{ work.name }}, {{ work.where }}
              <span class="soft">{{
                work.state === 'later'
                  ? tell('before.from', { until: until(work) })
                  : work.state === 'holds'
                    ? tell('before.until', { until: until(work) })
                    : ''
              }}</span>
            </span>
            <span class="soft small">{{ work.why.sentence }}</span>
            <Button
              v-if="other.again"
              :label="tell('before.doneAfterAll')"
              size="small"
              variant="text"
              :aria-label="tell('before.doneAfterAll2', { work: work.name, where: work.where })"
              @click="say.mutate({ work: [work], word: 'done' })"
            />
          </li>
        </ul>
      </details>
    </template>
  </div>
</template>

<style scoped>
.due {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 340px), 1fr));
  gap: 14px;
  align-items: start;
}

li {
  display: grid;
  gap: 2px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}

li button {
  justify-self: start;
}
</style>
