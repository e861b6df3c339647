<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import { useGardenQuery } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import RecordsNav from '../ledger/RecordsNav.vue'
import BeliefCard from './BeliefCard.vue'
import { inSentence } from '@/kit/format'

const { data, isPending, error, refetch } = useGardenQuery(['learned'], (gardenId) =>
  answer(api.GET('/api/gardens/{gardenId}/learned', { params: { path: { gardenId } } })),
)
/** What was hurt at all comes first; the rest is only counted. */
const hurt = computed(() => (data.value?.injuries ?? []).filter((i) => (i.own ?? 0) > 0))
const unhurt = computed(() => (data.value?.injuries ?? []).filter((i) => !((i.own ?? 0) > 0)))
</script>

<template>
  <div class="page">
    <HatchPatterns />
    <RecordsNav />
    <div class="page-head">
      <h1>{{ tell('learned.whatThisGardenTaught') }}</h1>
      <p class="soft">
        {{ tell('learned.whatIsUsualMovedByWhat') }}
      </p>
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <h2>{{ tell('learned.howWellItWorks') }}</h2>
      <p v-if="data.efficacies.length === 0" class="note">
        {{ tell('learned.nothingYetCountBeforeASpray') }}
      </p>
      <div class="cards">
        <BeliefCard
          v-for="b in data.efficacies"
          :key="b.material + b.about"
          :belief="b"
          :title="
            tell('learned.materialAgainst', { material: b.materialName, about: inSentence(b.aboutName) })
          "
        />
      </div>
      <h2>{{ tell('learned.whatItHurts') }}</h2>
      <p v-if="hurt.length === 0" class="note">{{ tell('learned.nothingWasHurtSoFar') }}</p>
      <div class="cards">
        <BeliefCard
          v-for="b in hurt"
          :key="b.material + b.about"
          :belief="b"
          :title="tell('learned.on', { material: b.materialName, about: inSentence(b.aboutName) })"
        />
      </div>
      <p v-if="unhurt.length" class="soft">
        {{
          tell('learned.noHarmSeen', {
            unhurt: unhurt
              .map((b) =>
                tell('learned.on', { material: inSentence(b.materialName), about: inSentence(b.aboutName) }),
              )
              .join(', '),
          })
        }}
      </p>
      <section class="card stack" aria-labelledby="habits">
        <h2 id="habits">{{ tell('learned.litresAndMinutes') }}</h2>
        <p>{{ data.litresSentence }}</p>
        <p>{{ data.walksSentence }}</p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 420px), 1fr));
  gap: 12px;
  align-items: start;
}

.stack {
  display: grid;
  gap: 8px;
}
</style>
