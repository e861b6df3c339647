<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import SelectButton from 'primevue/selectbutton'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import TankDrawing from '@/drawings/TankDrawing.vue'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import { trim, volume } from '@/kit/format'
import MaterialOptions from './MaterialOptions.vue'
import MixSteps from './MixSteps.vue'
import MixWarnings from './MixWarnings.vue'
import WhatFor from './WhatFor.vue'

const route = useRoute()
const router = useRouter()
const { garden, memberId } = useGarden()

/** What the mix is for comes from the address, so that a reload or a link shows the same bench. */
const plantings = computed(() => [route.query.planting ?? []].flat().filter((p): p is string => p !== null))
const target = computed(() => (typeof route.query.target === 'string' ? route.query.target : undefined))
const recipe = ref(typeof route.query.recipe === 'string' ? route.query.recipe : undefined)
const step = ref<Schemas['DoseStep']>('gentle')
const sprayer = ref<string>()
watch(
  [plantings, target],
  () => (recipe.value = typeof route.query.recipe === 'string' ? route.query.recipe : undefined),
)

const { data, isPending, error, refetch } = useGardenQuery(
  computed(() => ['bench', plantings.value, target.value, recipe.value, step.value, sprayer.value]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/bench', {
        params: {
          path: { gardenId },
          query: {
            planting: plantings.value,
            target: target.value,
            recipe: recipe.value,
            step: step.value,
            sprayer: sprayer.value,
          },
        },
      }),
    ),
)
const steps: { value: Schemas['DoseStep']; label: string }[] = [
  { value: 'gentle', label: 'gentle' },
  { value: 'usual', label: 'usual' },
  { value: 'strong', label: 'strong' },
]
const sprayers = computed(() => garden.value?.sprayers ?? [])
const hatch = computed(
  () => data.value?.options.find((o) => o.recipe === data.value?.recipe)?.hatch ?? 'dots',
)
const strength = computed(() => {
  const active = data.value?.strengths[0]
  return active ? `${trim(active.percent, 2)} % ${active.material.toLowerCase()}` : ''
})

// One id for one bottle: pressing twice makes one.
const batchId = ref(crypto.randomUUID())
const saving = useGardenWrite((gardenId) => {
  if (!data.value) throw new Error('nothing to mix yet')
  return answer(
    api.POST('/api/gardens/{gardenId}/batches', {
      params: { path: { gardenId } },
      body: {
        id: batchId.value,
        plantingIds: plantings.value,
        recipe: data.value.recipe,
        step: data.value.step,
        litres: data.value.litres,
        target: target.value ?? null,
        memberId: memberId.value,
      },
    }),
  )
})

async function mixed() {
  const batch = await saving.mutateAsync().catch(() => null)
  if (!batch) return
  batchId.value = crypto.randomUUID()
  await router.push({ name: 'spray', params: { batchId: batch.id } })
}
</script>

<template>
  <div class="page">
    <HatchPatterns />
    <div class="page-head">
      <h1>Bench</h1>
      <p v-if="data?.for.length" class="soft">
        for {{ data.for.join(', ')
        }}<template v-if="data.targetName">, against {{ data.targetName.toLowerCase() }}</template>
      </p>
    </div>
    <WhatFor :plantings="plantings" :target="target" />
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <p v-if="error" class="note stop" role="alert">{{ error.message }}</p>
      <MaterialOptions
        v-if="data.options.length"
        :options="data.options"
        :chosen="data.recipe"
        @choose="recipe = $event"
      />
      <div class="choices">
        <SelectButton
          v-model="step"
          :options="steps"
          option-label="label"
          option-value="value"
          :allow-empty="false"
          aria-label="Dose"
        />
        <Select
          :model-value="data.sprayerId"
          :options="sprayers"
          option-label="name"
          option-value="id"
          aria-label="Sprayer"
          @update:model-value="sprayer = $event"
        />
        <p class="soft">
          {{ volume(data.litresNeeded) }} {{ plantings.length ? 'wets these leaves' : 'to try'
          }}<template v-if="data.tanks > 1">, in {{ data.tanks }} fillings</template>
        </p>
      </div>
      <div class="columns">
        <section class="card" aria-labelledby="recipe">
          <h2 id="recipe">{{ data.recipeName }}</h2>
          <p class="soft">
            Made up to {{ volume(data.litres) }}: water is added until the whole is that much.
          </p>
          <MixSteps :steps="data.steps" />
          <details>
            <summary>Why this dose</summary>
            <ul class="soft">
              <li v-for="s in data.strengths" :key="s.material">
                {{ s.material }}: {{ trim(s.perLitre, 1) }} {{ s.unit }} a litre, {{ trim(s.percent, 2) }} %
                in the tank
              </li>
              <li>
                Oils together {{ trim(data.oilPercent, 2) }} %, soaps together
                {{ trim(data.soapPercent, 2) }} %; 2 % of each is the most.
              </li>
              <li>Start gentle; step up only after a failed round without injury.</li>
              <li v-if="data.assumed.length">
                Assumed figures of this material: {{ data.assumed.join(', ') }}.
              </li>
            </ul>
          </details>
        </section>
        <div class="side">
          <section class="card tank">
            <TankDrawing :capacity="data.tankLitres" :litres="data.litres" :hatch="hatch" :words="strength" />
          </section>
          <MixWarnings :bench="data" />
        </div>
      </div>
      <FieldError :problem="saving.error.value" />
      <div class="actions">
        <Button
          :label="`Mixed it: ${volume(data.litres)} in the ${sprayers.find((s) => s.id === data?.sprayerId)?.name ?? 'sprayer'}`"
          size="large"
          :disabled="data.verdict !== 'ok' || plantings.length === 0"
          :loading="saving.isPending.value"
          @click="mixed"
        />
        <RouterLink
          v-if="plantings.length"
          class="p-button p-component p-button-outlined hours"
          :to="{
            name: 'hours',
            query: { planting: plantings, material: data.material },
          }"
        >
          Good hours for it
        </RouterLink>
      </div>
      <p v-if="plantings.length === 0" class="soft">Choose what it is for, then the bottle can be saved.</p>
      <p class="soft small">
        Home mixes are not approved products. In some countries and on some shared land only registered
        products may be used on food crops. Follow the product label and your local rules first; for anything
        stronger than kitchen strength ask a licensed adviser.
      </p>
    </template>
  </div>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.8fr) minmax(240px, 1fr);
  gap: 18px;
  align-items: start;
}

.side {
  display: grid;
  gap: 12px;
}

.tank {
  display: grid;
  justify-items: center;
}

details {
  margin-top: 10px;
}

summary {
  cursor: pointer;
  color: var(--mauve-deep);
  min-height: 32px;
}

.hours {
  text-decoration: none;
}

@media (max-width: 820px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
