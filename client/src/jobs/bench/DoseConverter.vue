<script setup lang="ts">
import { tell } from '@/language'
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, reactive, ref } from 'vue'
import { answer, api, Problem } from '@/api/client'
import { keys } from '@/garden/useGarden'
import { unitWords } from '@/garden/unitWords'
import FieldError from '@/kit/FieldError.vue'
import { trim } from '@/kit/format'
import SelectField from '@/kit/SelectField.vue'
import ToldAround from '@/kit/ToldAround.vue'
import NumberField from '@/kit/NumberField.vue'

/** A dose as a label or a neighbour says it, carried to the tank at hand. */
const open = ref(false)
const spoken = reactive({
  doseAmount: 2,
  doseUnit: 'us-tbsp',
  perAmount: 1,
  perUnit: 'us-gal',
  tankAmount: 1.5,
  tankUnit: 'l',
  powder: false,
  density: 0.95,
  heaped: false,
  addTo: false,
  material: null as string | null,
})
const volumes = Object.entries(unitWords)
  .filter(([code]) => !['g', 'kg', 'oz', 'drop'].includes(code))
  .map(([value, label]) => ({ value, label }))
const all = Object.entries(unitWords).map(([value, label]) => ({ value, label }))
const asked = refDebounced(
  computed(() => ({
    doseAmount: spoken.doseAmount,
    doseUnit: spoken.doseUnit,
    perAmount: spoken.perAmount,
    perUnit: spoken.perUnit,
    tankAmount: spoken.tankAmount,
    tankUnit: spoken.tankUnit,
    densityGramsPerMillilitre: spoken.powder ? spoken.density : null,
    heaped: spoken.heaped,
    addTo: spoken.addTo,
    material: spoken.material,
  })),
  250,
)
const { data, error } = useQuery({
  queryKey: computed(() => ['dilution', asked.value]),
  queryFn: () => answer(api.POST('/api/calc/dilution', { body: asked.value })),
  enabled: open,
  retry: false,
})
const materials = useQuery({
  queryKey: keys.catalogue('materials'),
  queryFn: () => answer(api.GET('/api/catalogue/materials')),
  enabled: open,
  staleTime: Infinity,
})
const problem = computed(() => (error.value instanceof Problem ? error.value : null))
</script>

<template>
  <details class="card" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>
      <strong>{{ tell('bench.carryADoseOver') }}</strong>
      <span class="soft">{{ tell('bench.fromSpoonsGallonsOrALabel') }}</span>
    </summary>
    <div class="sentence">
      <NumberField
        v-model="spoken.doseAmount"
        :aria-label="tell('bench.dose')"
        :min="0"
        :max-fraction-digits="3"
      />
      <SelectField v-model="spoken.doseUnit" :label="tell('bench.unitOfTheDose')" :options="all" filter />
      <NumberField
        v-model="spoken.perAmount"
        :aria-label="tell('bench.inHowMuch')"
        :min="0"
        :max-fraction-digits="3"
      />
      <SelectField v-model="spoken.perUnit" :label="tell('bench.unitOfTheWater')" :options="volumes" filter />
      <NumberField
        v-model="spoken.tankAmount"
        :aria-label="tell('bench.myTank')"
        :min="0"
        :max-fraction-digits="3"
      />
      <SelectField v-model="spoken.tankUnit" :label="tell('bench.unitOfMyTank')" :options="volumes" filter />
      <SelectField
        v-model="spoken.material"
        :label="tell('bench.ofWhat')"
        :options="materials.data.value ?? []"
        show="name"
        take="id"
        filter
        :placeholder="tell('garden.notSaid')"
      />
    </div>
    <div class="ticks">
      <label><input v-model="spoken.powder" type="checkbox" /> {{ tell('bench.aPowder') }}</label>
      <label v-if="spoken.powder"
        ><ToldAround :sentence="(density) => tell('bench.ofGramsInAMl', { density })"
          ><NumberField
            v-model="spoken.density"
            :aria-label="tell('bench.gramsInAMillilitre')"
            :min="0.05"
            :max="20"
            :max-fraction-digits="2" /></ToldAround
      ></label>
      <label><input v-model="spoken.heaped" type="checkbox" /> {{ tell('bench.heapedSpoons') }}</label>
      <label
        ><input v-model="spoken.addTo" type="checkbox" /> {{ tell('bench.addedToTheWaterNotMade') }}</label
      >
    </div>
    <FieldError :problem="problem" />
    <p v-if="data && !problem" class="note good" role="status">
      <strong>{{ data.kitchen.text }}</strong><template v-if="data.kitchen.errorPercent">
        ({{ data.kitchen.errorPercent > 0 ? '+' : '' }}{{ trim(data.kitchen.errorPercent, 1) }} %)</template
      >:
      {{
        tell('bench.inYourTankALitre', {
          amount: trim(data.needed.amount, 2),
          unit: data.needed.unit,
          amount2: trim(data.perLitre.amount, 3),
          unit2: data.perLitre.unit,
        })
      }}
    </p>
    <template v-if="data && !problem">
      <p
        v-for="r in data.reasons"
        :key="r.code"
        class="note"
        :class="r.verdict === 'refused' ? 'stop' : 'caution'"
      >
        {{ r.sentence }}
      </p>
      <p v-if="!spoken.material" class="soft small">{{ tell('bench.sayWhatItIsADose') }}</p>
    </template>
  </details>
</template>

<style scoped>
summary {
  min-height: 32px;
}

.sentence {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px;
  align-items: end;
  padding: 10px 0;
}

.sentence :deep(.p-inputnumber),
.sentence :deep(input) {
  width: 100%;
}

.ticks {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}

.ticks label {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}

.ticks input[type='checkbox'] {
  width: 20px;
  height: 20px;
  accent-color: var(--mauve);
}

.ticks :deep(.p-inputnumber-input) {
  width: 5em;
}
</style>
