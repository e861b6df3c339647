<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import SelectButton from 'primevue/selectbutton'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import { options, stepWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import { fromLocal, toLocal } from '@/kit/localTime'
import { useRecipes } from './useLedger'
import SprayFields, { type SprayDraft } from './SprayFields.vue'

/** A spray that nobody logged when it went on. */
const router = useRouter()
const { garden, memberId } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const ids = { spray: crypto.randomUUID(), batch: crypto.randomUUID() }
const recipes = useRecipes()
const recipe = ref('')
const sizeUnit = computed(() => recipes.data.value?.find((r) => r.id === recipe.value)?.sizeUnit ?? 'l')
const step = ref<Schemas['DoseStep']>('usual')
const patchTest = ref(false)
const fromShelf = ref(false)
const draft = ref<SprayDraft>({
  at: '',
  plantingIds: [],
  litres: null,
  wettedPercent: 90,
  parts: ['undersides', 'tops'],
  target: 'none',
  doneBy: '',
  note: '',
})
watch(
  [garden, memberId],
  () => {
    if (garden.value && !draft.value.at) draft.value.at = toLocal(garden.value.now, zone.value)
    if (memberId.value && !draft.value.doneBy) draft.value.doneBy = memberId.value
  },
  { immediate: true },
)
const saving = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/ledger/sprays', {
      params: { path: { gardenId } },
      body: {
        id: ids.spray,
        batchId: ids.batch,
        at: fromLocal(draft.value.at, zone.value),
        plantingIds: draft.value.plantingIds,
        recipe: recipe.value,
        step: step.value,
        size: draft.value.litres ?? 0,
        target: draft.value.target === 'none' ? null : draft.value.target,
        shareWetted: draft.value.wettedPercent / 100,
        parts: draft.value.parts,
        patchTest: patchTest.value,
        fromShelf: fromShelf.value,
        note: draft.value.note,
        doneBy: draft.value.doneBy || null,
        memberId: memberId.value,
      },
    }),
  ),
)
async function save() {
  if (await saving.mutateAsync().catch(() => null))
    await router.push({ name: 'spray-record', params: { sprayId: ids.spray } })
}
</script>

<template>
  <div class="page narrow">
    <div class="page-head">
      <h1>{{ tell('ledger.logASprayByHand') }}</h1>
      <p class="soft">
        {{ tell('ledger.whatWentOnAndWasNot') }}
      </p>
    </div>
    <section class="card stack">
      <SelectField
        v-model="recipe"
        :label="tell('ledger.what')"
        :options="recipes.data.value ?? []"
        show="name"
        take="id"
        filter
        :placeholder="tell('ledger.chooseAMix')"
      >
        <FieldError :problem="saving.error.value" field="recipe" />
      </SelectField>
      <div class="field">
        <span id="hand-step" class="label">{{ tell('bench.dose') }}</span>
        <SelectButton
          v-model="step"
          :options="options(stepWords)"
          option-label="label"
          option-value="value"
          :allow-empty="false"
          aria-labelledby="hand-step"
        />
      </div>
      <SprayFields v-model="draft" :problem="saving.error.value" litres-field="size" :size-unit="sizeUnit" />
      <label class="tick"><Checkbox v-model="patchTest" binary /> {{ tell('ledger.itWasOnlyATry') }}</label>
      <label class="tick"
        ><Checkbox v-model="fromShelf" binary /> {{ tell('ledger.takeWhatWasInItFrom') }}</label
      >
      <FieldError
        :problem="saving.error.value"
        :shown="['recipe', 'at', 'plantingIds', 'size', 'target', 'shareWetted', 'note']"
      />
      <div class="actions">
        <Button
          :label="tell('ledger.logThisSpray')"
          size="large"
          :disabled="!recipe || !draft.at"
          :loading="saving.isPending.value"
          @click="save"
        />
      </div>
    </section>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 14px;
}

.tick {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}
</style>
