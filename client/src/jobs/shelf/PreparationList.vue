<script setup lang="ts">
import { evidenceWords } from '@/garden/words'
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import { inSentence, trim } from '@/kit/format'
import MixSteps from '../bench/MixSteps.vue'
import NumberField from '@/kit/NumberField.vue'
import OwnStockForm from './OwnStockForm.vue'

/** Stocks that are made at home and diluted later: those listed here, and the household's own. */
const props = defineProps<{
  preparations: Schemas['PreparationAnswer'][]
  materials: Schemas['ShelfMaterial'][]
  ownStocks: Schemas['OwnStockAnswer'][]
}>()
const { memberId } = useGarden()
const amounts = ref<Record<string, number>>({})
const adding = ref(false)
const putAway = computed(() => props.ownStocks.filter((s) => s.retired))
const making = useGardenWrite((gardenId, { material, yieldMl }: { material: string; yieldMl: number }) =>
  answer(
    api.POST('/api/gardens/{gardenId}/shelf/preparations', {
      params: { path: { gardenId } },
      body: { id: crypto.randomUUID(), material, yieldMl, memberId: memberId.value },
    }),
  ),
)
const retiring = useGardenWrite((gardenId, { id, retired }: { id: string; retired: boolean }) =>
  answer(
    api.POST('/api/gardens/{gardenId}/own-stocks/{stockId}/retire', {
      params: { path: { gardenId, stockId: id } },
      body: { retired, memberId: memberId.value },
    }),
  ),
)

function keeps(p: Schemas['PreparationAnswer']) {
  const evidence = evidenceWords[p.evidence]
  if (p.keepsDays > 60)
    return tell('shelf.evidenceKeepsMonths', {
      evidence,
      keepsDays: trim(p.keepsDays / 30, 0),
      where: p.where,
    })
  if (p.keepsDays < 1) return tell('shelf.evidenceSameDay', { evidence })
  return p.keepsDays < 2
    ? tell('shelf.evidenceKeeps1Day', { evidence, where: p.where })
    : tell('shelf.evidenceKeepsDays', { evidence, keepsDays: p.keepsDays, where: p.where })
}
</script>

<template>
  <section class="card" aria-labelledby="made">
    <div class="page-head">
      <h2 id="made">{{ tell('shelf.stocksToMake') }}</h2>
      <Button
        v-if="!adding"
        :label="tell('shelf.aStockOfYourOwn')"
        variant="outlined"
        @click="adding = true"
      />
    </div>
    <p class="soft">{{ tell('shelf.madeFirstAndDilutedLater') }}</p>
    <OwnStockForm v-if="adding" :materials="materials" @done="adding = false" />
    <details v-for="p in preparations" :key="p.material">
      <summary>
        <strong>{{ p.name }}</strong>
        <span class="soft">{{ keeps(p) }}</span>
      </summary>
      <p v-if="p.own" class="soft">{{ p.own.proportions }}</p>
      <p class="soft">{{ tell('shelf.forMl', { yield: p.yieldText }) }}</p>
      <MixSteps :steps="p.steps" />
      <p class="soft">
        {{
          tell('shelf.aLitreOfItHolds', {
            strengths: p.strengths.map((s) => `${inSentence(s.material)} ${s.text}`).join(', '),
          })
        }}
      </p>
      <p v-for="c in p.cautions" :key="c" class="note caution">{{ c }}</p>
      <div class="actions">
        <NumberField
          :model-value="amounts[p.material] ?? p.yieldMl"
          :min="10"
          :max="5000"
          :suffix="tell('shelf.ml')"
          :aria-label="tell('shelf.howMuch', { it: p.name })"
          @update:model-value="amounts[p.material] = $event ?? p.yieldMl"
        />
        <Button
          :label="
            p.steepHours > 0 ? tell('shelf.begunItStands', { hours: p.steepHours }) : tell('shelf.madeItPut')
          "
          :loading="making.isPending.value"
          @click="making.mutate({ material: p.material, yieldMl: amounts[p.material] ?? p.yieldMl })"
        />
        <Button
          v-if="p.own"
          :label="tell('beds.putAway')"
          variant="text"
          :aria-label="tell('bench.putAway', { it: p.name })"
          @click="retiring.mutate({ id: p.own.id, retired: true })"
        />
      </div>
    </details>
    <p v-for="s in putAway" :key="s.id" class="away soft">
      {{ tell('shelf.stockPutAway', { name: s.name, proportions: s.proportions }) }}
      <Button
        :label="tell('shelf.takeItOutAgain')"
        variant="text"
        size="small"
        @click="retiring.mutate({ id: s.id, retired: false })"
      />
    </p>
    <FieldError :problem="making.error.value ?? retiring.error.value" />
  </section>
</template>

<style scoped>
details {
  border-top: 1px solid var(--line);
  padding: 6px 0;
}

details > * + * {
  margin-top: 8px;
}

summary {
  min-height: 40px;
}

.away {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
}
</style>
