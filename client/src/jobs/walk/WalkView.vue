<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import SelectField from '@/kit/SelectField.vue'
import RoundStops from './RoundStops.vue'
import { signsQuery } from './signsQuery'
import { useWalk } from './useWalk'
import { inSentence } from '@/kit/format'

const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const { garden } = useGarden()
const { round, stops, later, minutes, walkId, seen, skipped, next, placesDone, toName, begin, skip, end } =
  useWalk()
const wanted = computed(() => new Set([route.query.planting ?? []].flat().filter((id) => id !== null)))

// The signs of every crop on the round, so that they are there when the network is not.
watch(
  stops,
  (list) => {
    for (const crop of new Set(list.flatMap((s) => s.plantings.map((p) => p.likeCrop))))
      void client.prefetchQuery(signsQuery(crop))
  },
  { immediate: true },
)

const times = computed(() => [
  { value: 'all', label: `The whole round, about ${round.data.value?.minutes} minutes` },
  ...(round.data.value?.parts ?? []).map((p) => ({
    value: String(p.minutes),
    label: `${p.minutes} minutes: the places that matter most`,
  })),
])

async function start() {
  await begin()
  if (next.value) await router.push({ name: 'count', params: { plantingId: next.value.planting.plantingId } })
}
</script>

<template>
  <div class="page narrow">
    <div class="page-head">
      <h1>Walk</h1>
      <p v-if="walkId" class="soft" role="status">{{ placesDone }} of {{ stops.length }} places</p>
      <p v-else class="soft">Turn leaves over. The order is only a proposal.</p>
    </div>
    <AsyncState
      v-if="!round.data.value"
      :pending="round.isPending.value"
      :error="round.error.value"
      :retry="round.refetch"
    />
    <p v-else-if="stops.length === 0" class="note">
      Nothing is growing yet. <RouterLink :to="{ name: 'garden' }">Plant something</RouterLink> first.
    </p>
    <template v-else>
      <SelectField
        v-if="times.length > 1"
        :model-value="times.some((t) => t.value === String(minutes)) ? String(minutes) : 'all'"
        label="How long have you got?"
        :options="times"
        @update:model-value="minutes = $event === 'all' ? null : Number($event)"
      />
      <section v-if="next" class="next card" aria-labelledby="next">
        <h2 id="next">{{ walkId ? 'Next' : 'First' }}: {{ next.stop.place }}</h2>
        <p class="soft">{{ next.stop.why.join(' · ') }}</p>
        <div class="actions">
          <Button
            :label="
              walkId ? `Count ${inSentence(next.planting.cropName)}` : `Start the walk at ${next.stop.place}`
            "
            size="large"
            @click="start"
          />
          <Button
            v-if="walkId"
            :label="`Skip ${next.stop.place}`"
            size="large"
            variant="outlined"
            @click="skip(next.stop.placeId)"
          />
        </div>
      </section>
      <section v-else class="note good" role="status">
        <p>
          <strong>The round is done.</strong>
          {{
            skipped.size > 0
              ? `${skipped.size === 1 ? 'One place was' : `${skipped.size} places were`} skipped and come first next time.`
              : later.length > 0
                ? 'Every place that there was time for was seen.'
                : 'Every place was seen.'
          }}
        </p>
      </section>
      <section v-if="toName.length > 0" class="note" aria-labelledby="to-name">
        <h2 id="to-name">Still without a name</h2>
        <ul>
          <li v-for="o in toName" :key="o.id">
            <RouterLink :to="{ name: 'suspects', params: { observationId: o.id } }"
              >{{ o.where }}: {{ o.leavesAffected }} of {{ o.leavesLooked }} leaves</RouterLink
            >
          </li>
        </ul>
      </section>
      <RoundStops
        :stops="stops"
        :seen="seen"
        :skipped="skipped"
        :wanted="wanted"
        :zone="garden?.timeZoneId ?? 'UTC'"
        :told="next?.stop.placeId"
      />
      <RouterLink class="no-print" :to="{ name: 'walk-sheet' }">The round on paper</RouterLink>
      <p v-if="later.length" class="soft small">
        Left for another day: {{ later.map((s) => s.place).join(', ') }}.
      </p>
      <Button v-if="walkId" label="End the walk here" size="large" variant="outlined" @click="end" />
    </template>
  </div>
</template>

<style scoped>
.next {
  display: grid;
  gap: 10px;
  border-left: 4px solid var(--mauve);
}

.note li a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}
</style>
