<script setup lang="ts">
import { tell } from '@/language'
import ToldAround from '@/kit/ToldAround.vue'
import { useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, defineAsyncComponent } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { sentences } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import DrawnLater from '@/kit/DrawnLater.vue'
import { keepSigns } from './useSigns'
import { useWalk } from './useWalk'
import { inSentence } from '@/kit/format'

const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const { round, stops, later, walkId, skipped, next, placesDone, begin, skip } = useWalk()
const wanted = computed(() => new Set([route.query.planting ?? []].flat().filter((id) => id !== null)))

keepSigns(client)

// The first place and its deed do not wait for what stands below them.
const RestOfRound = defineAsyncComponent(() => import('./RestOfRound.vue'))

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
    <p v-else-if="stops.length === 0" class="note">
      {{ tell('walk.nothingIsGrowingYet') }}
      <ToldAround :sentence="(it) => tell('walk.plantFirst', { it })"
        ><RouterLink :to="{ name: 'garden' }">{{ tell('board.plantSomething') }}</RouterLink></ToldAround
      >
    </p>
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
      <DrawnLater><RestOfRound :wanted="wanted" /></DrawnLater>
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

/* The deed stays under the thumb while one reads on. */
@media (max-width: 640px) {
  .deed-at-hand {
    background: var(--paper);
  }

  .deed-at-hand > :first-child {
    flex: 1;
  }
}
</style>
