<script setup lang="ts">
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import Select from 'primevue/select'
import SelectButton from 'primevue/selectbutton'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import TankDrawing from '@/drawings/TankDrawing.vue'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import GeneralCaution from '@/kit/GeneralCaution.vue'
import { inSentence, trim } from '@/kit/format'
import DoseConverter from './DoseConverter.vue'
import HeardRecipe from './HeardRecipe.vue'
import LeftoverBottles from './LeftoverBottles.vue'
import MaterialOptions from './MaterialOptions.vue'
import MaterialFacts from './MaterialFacts.vue'
import MixChoices from './MixChoices.vue'
import MixSteps from './MixSteps.vue'
import MixWarnings from './MixWarnings.vue'
import TogetherCard from './TogetherCard.vue'
import ShakeTimer from './ShakeTimer.vue'
import { useBench } from './useBench'
import WhatFor from './WhatFor.vue'
import NumberField from '@/kit/NumberField.vue'

const router = useRouter()
const { garden, memberId } = useGarden()
const { ask, change, data, isPending, error, refetch } = useBench()

const steps: { value: Schemas['DoseStep']; label: string }[] = [
  { value: 'gentle', label: tell('garden.gentle') },
  { value: 'usual', label: tell('garden.usual') },
  { value: 'strong', label: tell('garden.strong') },
]
const sprayers = computed(() => garden.value?.sprayers ?? [])
const strength = computed(() => {
  const active = data.value?.strengths[0]
  return active ? `${trim(active.percent, 2)} % ${inSentence(active.material)}` : ''
})
const wet = computed(() => data.value?.sizeUnit === 'l')
const quantity = computed(
  () => ({ l: 'volume', 'm²': 'area' })[data.value?.sizeUnit ?? ''] as 'volume' | 'area' | undefined,
)
const vessel = computed(() => sprayers.value.find((s) => s.id === data.value?.sprayerId)?.name)
const sprayerLitres = computed(
  () => sprayers.value.find((s) => s.id === data.value?.sprayerId)?.capacityLitres,
)
const crop = computed(
  () =>
    garden.value?.places.flatMap((p) => p.plantings).find((p) => p.id === ask.value.planting[0])?.likeCrop,
)
const needed = computed(() => {
  const size = data.value?.sizeNeededText
  if (data.value?.patchTest) return tell('bench.forTwoLeaves', { size })
  if (ask.value.planting.length === 0) return tell('bench.toTry', { size })
  return data.value?.form === 'spray'
    ? tell('bench.wetsTheseLeaves', { size })
    : tell('bench.isWhatTheyTake', { size })
})
/** Sick plants alone, or with their neighbours, where plants were counted. */
const plantChoices = computed(() => {
  const plants = data.value?.plants
  if (!plants) return []
  return [
    { value: '', label: tell('bench.allPlants', { all: plants.all }) },
    { value: String(plants.sick), label: tell('bench.theSick', { plants: plants.sick.join(', ') }) },
    {
      value: String(plants.withNeighbours),
      label: tell('bench.withNeighbours', { plants: plants.withNeighbours.join(', ') }),
    },
  ]
})
const read = (chosen: string) => (chosen === '' ? [] : chosen.split(',').map(Number))

/** A new pairing is tried first: everything else about the mix is in order. */
const patchFirst = computed(() => {
  const refused = data.value?.reasons.filter((r) => r.verdict === 'refused') ?? []
  return (
    refused.length > 0 &&
    refused.every((r) => r.code === 'patch-test') &&
    !data.value?.patches.some((p) => p.state === 'waiting')
  )
})

/** New here, but not new to the gardener: no two leaves first. */
const unproven = computed(() => data.value?.patches.filter((p) => p.state === 'needed' && !p.burnt) ?? [])
const prove = useGardenWrite(async (gardenId) => {
  for (const p of unproven.value) {
    const planting = garden.value?.places
      .flatMap((x) => x.plantings)
      .find((x) => x.crop === p.crop && ask.value.planting.includes(x.id))
    if (!planting) continue
    await answer(
      api.POST('/api/gardens/{gardenId}/plan/choices', {
        params: { path: { gardenId } },
        body: {
          id: crypto.randomUUID(),
          word: 'proven',
          plantingId: planting.id,
          material: p.materialId,
          memberId: memberId.value,
        },
      }),
    )
  }
})

// One id for one bottle: pressing twice makes one.
const batchId = ref(crypto.randomUUID())
const saving = useGardenWrite((gardenId) => {
  const mix = data.value
  if (!mix) throw new Error('nothing to mix yet')
  return answer(
    api.POST('/api/gardens/{gardenId}/batches', {
      params: { path: { gardenId } },
      body: {
        id: batchId.value,
        plantingIds: ask.value.planting,
        recipe: mix.recipe,
        step: mix.step,
        size: mix.size,
        target: ask.value.target ?? null,
        memberId: memberId.value,
        add: ask.value.add,
        dose: ask.value.dose ?? null,
        soap: ask.value.soap ?? null,
        bottlePercent: ask.value.bottle ?? null,
        at: ask.value.at ?? null,
        patchTest: mix.patchTest,
        sprayer: mix.sprayerId,
        also: mix.also,
      },
    }),
  )
})

async function mixed() {
  const batch = await saving.mutateAsync().catch(() => null)
  if (!batch) return
  batchId.value = crypto.randomUUID()
  const plants = ask.value.plants.map(String)
  await router.push({ name: 'spray', params: { batchId: batch.id }, query: { plants } })
}
</script>

<template>
  <div class="page">
    <HatchPatterns />
    <div class="page-head">
      <h1>{{ tell('bench.bench') }}</h1>
      <p v-if="data?.for.length" class="soft">
        {{
          remarked(
            tell('bench.for', { for: data.for.join(', ') }),
            data.targetName && tell('bench.against', { targetName: inSentence(data.targetName) }),
          )
        }}
      </p>
    </div>
    <LeftoverBottles />
    <WhatFor :plantings="ask.planting" :target="ask.target" @change="change" />
    <SelectButton
      v-if="data?.plants"
      class="plants"
      :model-value="String(ask.plants)"
      :options="plantChoices"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      :aria-label="tell('bench.whichPlants')"
      @update:model-value="change({ plants: read($event), size: undefined })"
    />
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <p v-if="error" class="note stop" role="alert">{{ error.message }}</p>
      <MaterialOptions
        v-if="data.options.length"
        :options="data.options"
        :chosen="data.recipe"
        @choose="
          change({
            recipe: $event,
            add: [],
            also: undefined,
            dose: undefined,
            bottle: undefined,
            size: undefined,
          })
        "
      />
      <div class="choices">
        <SelectButton
          :model-value="data.step"
          :options="steps"
          option-label="label"
          option-value="value"
          :allow-empty="false"
          :aria-label="tell('bench.dose')"
          @update:model-value="change({ step: $event, dose: undefined })"
        />
        <Select
          v-if="data.sprayerId"
          :model-value="data.sprayerId"
          :options="sprayers"
          option-label="name"
          option-value="id"
          :aria-label="tell('bench.sprayer')"
          @update:model-value="change({ sprayer: $event })"
        />
        <span class="size">
          <NumberField
            :model-value="data.size"
            :min="0.05"
            :max="wet ? 50 : 1000"
            :max-fraction-digits="2"
            :aria-label="
              quantity ? tell('bench.howMuchOfTheMix') : tell('bench.howMuch', { sizeUnit: data.sizeUnit })
            "
            :suffix="quantity ? undefined : ` ${data.sizeUnit}`"
            :quantity="quantity"
            @update:model-value="change({ size: $event ?? undefined })"
          />
        </span>
        <p class="soft">
          {{ remarked(needed, data.tanks > 1 && tell('bench.inEqualFillings', { tanks: data.tanks })) }}
        </p>
      </div>
      <div class="columns">
        <div class="side">
          <section class="card" aria-labelledby="recipe">
            <h2 id="recipe">{{ data.recipeName }}</h2>
            <p class="soft">
              <template v-if="wet">
                {{
                  tell('bench.madeUp', {
                    size: data.sizeBeside ? `${data.sizeText} (${data.sizeBeside})` : data.sizeText,
                  })
                }}
              </template>
              <template v-else>{{ tell('bench.for2', { sizeText: data.sizeText }) }}</template>
            </p>
            <MixSteps :steps="data.steps" />
            <ShakeTimer
              v-if="data.emulsifier"
              :emulsifier="data.emulsifier"
              @soap="change({ soap: $event })"
            />
            <details>
              <summary>{{ tell('bench.whyThisDose') }}</summary>
              <ul class="soft">
                <li v-for="w in data.whyThisDose" :key="w">{{ w }}</li>
              </ul>
            </details>
          </section>
          <FieldError :problem="saving.error.value" />
          <div class="actions">
            <Button
              v-if="patchFirst"
              :label="tell('bench.tryTwoLeavesFirst')"
              size="large"
              @click="change({ patch: true, size: undefined, step: 'gentle' })"
            />
            <Button
              v-if="patchFirst && unproven.length"
              :label="tell('bench.weHaveUsedItOnThis')"
              size="large"
              variant="text"
              :loading="prove.isPending.value"
              @click="prove.mutate()"
            />
            <Button
              :label="
                data.patchTest
                  ? tell('bench.mixedItForTwoLeaves', { sizeText: data.sizeText })
                  : vessel
                    ? tell('bench.mixedIt', { sizeText: data.sizeText, vessel })
                    : tell('bench.mixedIt2', { sizeText: data.sizeText })
              "
              size="large"
              :variant="patchFirst ? 'outlined' : undefined"
              :disabled="data.verdict !== 'ok' || ask.planting.length === 0"
              :loading="saving.isPending.value"
              @click="mixed"
            />
            <Button
              v-if="data.patchTest"
              :label="tell('bench.forTheWholeBedInstead')"
              variant="outlined"
              @click="change({ patch: undefined, size: undefined })"
            />
            <RouterLink
              v-if="ask.planting.length"
              class="p-button p-component p-button-outlined link"
              :to="{ name: 'hours', query: { planting: ask.planting, material: data.material } }"
            >
              {{ tell('bench.goodHours') }}
            </RouterLink>
            <RouterLink
              class="p-button p-component p-button-outlined link"
              :to="{ name: 'mix-card', query: $route.query }"
            >
              {{ tell('bench.printTheMixCard') }}
            </RouterLink>
            <RouterLink
              v-if="ask.planting.length === 1 && ask.target"
              class="p-button p-component p-button-outlined link"
              :to="{
                name: 'what-if',
                query: { planting: ask.planting[0], target: ask.target, recipe: data.recipe },
              }"
            >
              {{ tell('bench.onceOrThreeTimes') }}
            </RouterLink>
          </div>
          <p v-if="ask.planting.length === 0" class="soft">
            {{ tell('bench.chooseWhatItIsForThen') }}
          </p>
        </div>
        <div class="side">
          <section v-if="wet" class="card tank">
            <TankDrawing
              :capacity="data.tankLitres"
              :litres="data.size"
              :amount="data.sizeText"
              :hatch="data.hatch"
              :words="strength"
            />
            <ul class="strengths" :aria-label="tell('bench.inTheFinishedSpray')">
              <li v-for="s in data.strengths" :key="s.material">
                <strong>{{ s.material }}</strong> {{ s.text }}, {{ trim(s.percent, 3) }} %
              </li>
            </ul>
          </section>
          <TogetherCard
            v-if="data.together?.length"
            :bench="data"
            @choose="change({ also: $event, size: undefined })"
          />
          <MixWarnings :bench="data" @change="change" />
        </div>
      </div>
      <MixChoices :bench="data" :ask="ask" @change="change" />
      <MaterialFacts :material="data.material" :name="data.materialName" />
    </template>
    <HeardRecipe
      v-if="garden"
      :kitchen="garden.kitchen"
      :crop="crop"
      :sprayer-litres="sprayerLitres"
      :chosen="data?.recipe"
      @choose="
        change({
          recipe: $event,
          step: undefined,
          add: [],
          dose: undefined,
          bottle: undefined,
          size: undefined,
        })
      "
    />
    <DoseConverter />
    <GeneralCaution />
  </div>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}

.size :deep(input) {
  width: 8.5em;
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
  gap: 8px;
}

.strengths {
  width: 100%;
  font-size: 0.95rem;
}

details {
  margin-top: 10px;
}

summary {
  color: var(--mauve-deep);
  min-height: 32px;
}

.link {
  text-decoration: none;
}

@media (max-width: 820px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
