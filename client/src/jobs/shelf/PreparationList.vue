<script setup lang="ts">
import { evidenceWords } from '@/garden/words'
import { tell } from '@/language'
import Button from 'primevue/button'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import { inSentence, trim } from '@/kit/format'
import MixSteps from '../bench/MixSteps.vue'
import NumberField from '@/kit/NumberField.vue'

/** Stocks that are made at home and diluted later. */
defineProps<{ preparations: Schemas['PreparationAnswer'][] }>()
const { memberId } = useGarden()
const amounts = ref<Record<string, number>>({})
const making = useGardenWrite((gardenId, { material, yieldMl }: { material: string; yieldMl: number }) =>
  answer(
    api.POST('/api/gardens/{gardenId}/shelf/preparations', {
      params: { path: { gardenId } },
      body: { id: crypto.randomUUID(), material, yieldMl, memberId: memberId.value },
    }),
  ),
)
</script>

<template>
  <section class="card" aria-labelledby="made">
    <h2 id="made">{{ tell('shelf.stocksToMake') }}</h2>
    <p class="soft">{{ tell('shelf.madeFirstAndDilutedLater') }}</p>
    <details v-for="p in preparations" :key="p.material">
      <summary>
        <strong>{{ p.name }}</strong>
        <span class="soft">{{
          p.keepsDays > 60
            ? tell('shelf.evidenceKeepsMonths', {
                evidence: evidenceWords[p.evidence],
                keepsDays: trim(p.keepsDays / 30, 0),
                where: p.where,
              })
            : p.keepsDays === 1
              ? tell('shelf.evidenceKeeps1Day', { evidence: evidenceWords[p.evidence], where: p.where })
              : tell('shelf.evidenceKeepsDays', {
                  evidence: evidenceWords[p.evidence],
                  keepsDays: p.keepsDays,
                  where: p.where,
                })
        }}</span>
      </summary>
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
          :label="tell('shelf.madeItPut')"
          :loading="making.isPending.value"
          @click="making.mutate({ material: p.material, yieldMl: amounts[p.material] ?? p.yieldMl })"
        />
      </div>
    </details>
    <FieldError :problem="making.error.value" />
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
</style>
