<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, reactive, ref } from 'vue'
import { answer, api, Problem } from '@/api/client'
import { keys } from '@/garden/useGarden'
import { unitWords } from '@/garden/unitWords'
import FieldError from '@/kit/FieldError.vue'
import { trim } from '@/kit/format'
import SelectField from '@/kit/SelectField.vue'
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
      <strong>Carry a dose over</strong>
      <span class="soft">from spoons, gallons or a label to your tank</span>
    </summary>
    <div class="sentence">
      <NumberField v-model="spoken.doseAmount" aria-label="Dose" :min="0" :max-fraction-digits="3" />
      <SelectField v-model="spoken.doseUnit" label="Unit of the dose" :options="all" filter />
      <NumberField v-model="spoken.perAmount" aria-label="in how much" :min="0" :max-fraction-digits="3" />
      <SelectField v-model="spoken.perUnit" label="Unit of the water" :options="volumes" filter />
      <NumberField v-model="spoken.tankAmount" aria-label="My tank" :min="0" :max-fraction-digits="3" />
      <SelectField v-model="spoken.tankUnit" label="Unit of my tank" :options="volumes" filter />
      <SelectField
        v-model="spoken.material"
        label="Of what"
        :options="materials.data.value ?? []"
        show="name"
        take="id"
        filter
        placeholder="not said"
      />
    </div>
    <div class="ticks">
      <label><input v-model="spoken.powder" type="checkbox" /> a powder</label>
      <label v-if="spoken.powder"
        >of
        <NumberField
          v-model="spoken.density"
          aria-label="Grams in a millilitre"
          :min="0.05"
          :max="20"
          :max-fraction-digits="2"
        />
        g in a ml (bicarbonate 0.95)</label
      >
      <label><input v-model="spoken.heaped" type="checkbox" /> heaped spoons</label>
      <label><input v-model="spoken.addTo" type="checkbox" /> added to the water, not made up to it</label>
    </div>
    <FieldError :problem="problem" />
    <p v-if="data && !problem" class="note good" role="status">
      <strong>{{ data.kitchen.text }}</strong><template v-if="data.kitchen.errorPercent">
        ({{ data.kitchen.errorPercent > 0 ? '+' : '' }}{{ trim(data.kitchen.errorPercent, 1) }} %)</template
      >: {{ trim(data.needed.amount, 2) }} {{ data.needed.unit }} in your tank,
      {{ trim(data.perLitre.amount, 3) }} {{ data.perLitre.unit }} a litre.
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
      <p v-if="!spoken.material" class="soft small">Say what it is a dose of, and it is judged too.</p>
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
