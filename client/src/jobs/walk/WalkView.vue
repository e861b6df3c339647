<script setup lang="ts">
import NothingPlanted from '@/garden/NothingPlanted.vue'
import { tell } from '@/language'
import { useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import SelectButton from 'primevue/selectbutton'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { counted, sentences } from '@/garden/words'
import { useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import DrawnLater from '@/kit/DrawnLater.vue'
import CountedTwice from './CountedTwice.vue'
import RoundStops from './RoundStops.vue'
import { keepSigns } from './useSigns'
import { useWalk } from './useWalk'
import { inSentence } from '@/kit/format'

const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const { garden } = useGarden()
const { round, stops, later, minutes, walkId, seen, skipped, next, placesDone, toName, begin, skip, end } =
  useWalk()
const wanted = computed(() => new Set([route.query.planting ?? []].flat().filter((id) => id !== null)))

keepSigns(client)

/** Stands for the whole round, however long it takes. */
const whole = 0
const times = computed(() => [
  ...(round.data.value?.parts ?? []).map((p) => ({ value: p.minutes, label: String(p.minutes) })),
  { value: whole, label: tell('walk.allMinutes', { minutes: round.data.value?.minutes }) },
])

async function start() {
  await begin()
  if (next.value) await router.push({ name: 'count', params: { plantingId: next.value.planting.plantingId } })
}
</script>

<template>
  <div class="page narrow">
    <div class="page-head">
      <h1>{{ tell('walk.walk') }}</h1>
      <p v-if="walkId" class="soft" role="status">
        {{ tell('walk.ofPlaces', { placesDone, stops: stops.length }) }}
      </p>
      <p v-else class="soft">{{ tell('walk.turnLeavesOverTheOrder') }}</p>
    </div>
    <AsyncState
      v-if="!round.data.value"
      :pending="round.isPending.value"
      :error="round.error.value"
      :retry="round.refetch"
    />
    <NothingPlanted v-else-if="stops.length === 0" class="note" />
    <template v-else>
      <template v-if="next">
        <section class="next" aria-labelledby="next">
          <h2 id="next">{{ walkId ? tell('setup.next') : tell('outing.first') }}: {{ next.stop.place }}</h2>
          <p class="soft">{{ sentences(next.stop.why, ' · ') }}</p>
        </section>
        <div class="actions deed-at-hand">
          <Button
            :label="
              walkId
                ? tell('walk.count', { cropName: inSentence(next.planting.cropName) })
                : tell('walk.startTheWalk', { place: next.stop.place })
            "
            size="large"
            @click="start"
          />
          <Button
            v-if="walkId"
            :label="tell('walk.skip', { place: next.stop.place })"
            size="large"
            variant="outlined"
            @click="skip(next.stop.placeId)"
          />
        </div>
      </template>
      <section v-else class="note good" role="status">
        <p>
          <strong>{{ tell('walk.theRoundIsDone') }}</strong>
          {{
            skipped.size > 0
              ? skipped.size === 1
                ? tell('walk.onePlaceWasSkippedAndCome')
                : tell('walk.placesWereSkippedAndComeFirst', { size: skipped.size })
              : later.length > 0
                ? tell('walk.everyPlaceThatThereWasTime')
                : tell('walk.everyPlaceWasSeen')
          }}
        </p>
      </section>
      <DrawnLater v-if="times.length > 1">
        <div class="field">
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
      </DrawnLater>
      <DrawnLater>
        <CountedTwice :twice="round.data.value.walk?.twice ?? []" :zone="garden?.timeZoneId ?? 'UTC'" />
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
        <RouterLink class="no-print" :to="{ name: 'walk-sheet' }">{{
          tell('walk.theRoundOnPaper')
        }}</RouterLink>
        <p v-if="later.length" class="soft small">
          {{ tell('walk.leftForAnotherDay', { later: later.map((s) => s.place).join(', ') }) }}
        </p>
        <Button
          v-if="walkId"
          :label="tell('walk.endTheWalkHere')"
          size="large"
          variant="outlined"
          @click="end"
        />
      </DrawnLater>
    </template>
  </div>
</template>

<style scoped>
.next {
  padding-left: 14px;
  border-left: 4px solid var(--mauve);
}

/* A reason may stand anywhere in a line; here it begins one. */
.next p::first-letter {
  text-transform: uppercase;
}

.note li a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}

/* The deed stays under the thumb while one reads on. */
@media (max-width: 640px) {
  .times {
    display: flex;
  }

  .times > * {
    flex: 1 1 auto;
    min-height: 56px;
    padding-inline: 4px;
  }

  .deed-at-hand {
    background: var(--paper);
  }

  .deed-at-hand > :first-child {
    flex: 1;
  }
}
</style>
