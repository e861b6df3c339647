<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import SelectButton from 'primevue/selectbutton'
import { computed } from 'vue'
import { counted } from '@/garden/words'
import { useGarden } from '@/garden/useGarden'
import DrawnLater from '@/kit/DrawnLater.vue'
import CountedTwice from './CountedTwice.vue'
import RoundStops from './RoundStops.vue'
import { useWalk } from './useWalk'

/** What stands below the next place: the minutes one has, what is still to be named, all places, the sheet and the end. */
defineProps<{
  /** Plantings that a link from elsewhere asked for. */
  wanted: ReadonlySet<string>
}>()
const { garden } = useGarden()
const { round, stops, later, minutes, walkId, seen, skipped, next, toName, end } = useWalk()

/** Stands for the whole round, however long it takes. */
const whole = 0
const times = computed(() => [
  ...(round.data.value?.parts ?? []).map((p) => ({ value: p.minutes, label: String(p.minutes) })),
  { value: whole, label: tell('walk.allMinutes', { minutes: round.data.value?.minutes }) },
])
</script>

<template>
  <div v-if="times.length > 1" class="field">
    <span id="time" class="label">{{ tell('walk.howManyMinutes') }}</span>
    <SelectButton
      :model-value="times.some((t) => t.value === minutes) ? minutes : whole"
      :options="times"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      aria-labelledby="time"
      class="times"
      @update:model-value="minutes = $event || null"
    />
    <p v-if="later.length" class="soft small">{{ tell('walk.thePlacesThatMatterMost') }}</p>
  </div>
  <DrawnLater>
    <CountedTwice :twice="round.data.value?.walk?.twice ?? []" :zone="garden?.timeZoneId ?? 'UTC'" />
    <section v-if="toName.length > 0" class="note" aria-labelledby="to-name">
      <h2 id="to-name">{{ tell('walk.stillWithoutAName') }}</h2>
      <ul>
        <li v-for="o in toName" :key="o.id">
          <RouterLink :to="{ name: 'suspects', params: { observationId: o.id } }">{{
            tell('walk.countAtPlace', { where: o.where, count: counted(o, o.plants !== null) })
          }}</RouterLink>
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
    <RouterLink class="no-print" :to="{ name: 'walk-sheet' }">{{ tell('walk.theRoundOnPaper') }}</RouterLink>
    <p v-if="later.length" class="soft small">
      {{ tell('walk.leftForAnotherDay', { later: later.map((s) => s.place).join(', ') }) }}
    </p>
    <Button v-if="walkId" :label="tell('walk.endTheWalkHere')" size="large" variant="outlined" @click="end" />
  </DrawnLater>
</template>

<style scoped>
.note li a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}

@media (max-width: 640px) {
  .times {
    display: flex;
  }

  .times > * {
    flex: 1 1 auto;
    min-height: 56px;
    padding-inline: 4px;
  }
}
</style>
