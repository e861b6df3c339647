<script setup lang="ts">
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
    <h2 id="made">Stocks to make</h2>
    <p class="soft">Made first and diluted later on the bench. What goes in is taken off the shelf.</p>
    <details v-for="p in preparations" :key="p.material">
      <summary>
        <strong>{{ p.name }}</strong>
        <span class="soft"
          >{{ p.evidence }} evidence, keeps
          {{
            p.keepsDays > 60
              ? `${trim(p.keepsDays / 30, 0)} months`
              : p.keepsDays === 1
                ? '1 day'
                : `${p.keepsDays} days`
          }}
          {{ p.where }}</span
        >
      </summary>
      <p class="soft">For {{ p.yieldMl }} ml:</p>
      <MixSteps :steps="p.steps" />
      <p class="soft">
        A litre of it holds
        {{
          p.strengths.map((s) => `${trim(s.perLitre, 0)} ${s.unit} of ${inSentence(s.material)}`).join(', ')
        }}.
      </p>
      <p v-for="c in p.cautions" :key="c" class="note caution">{{ c }}</p>
      <div class="actions">
        <NumberField
          :model-value="amounts[p.material] ?? p.yieldMl"
          :min="10"
          :max="5000"
          suffix=" ml"
          :aria-label="`How much ${p.name}`"
          @update:model-value="amounts[p.material] = $event ?? p.yieldMl"
        />
        <Button
          label="Made it: put it on the shelf"
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
