<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed, ref, useId, watch } from 'vue'
import { useGarden } from '@/garden/useGarden'
import { useTargets } from '@/garden/useTargets'
import NumberField from '@/kit/NumberField.vue'
import SelectField from '@/kit/SelectField.vue'

/** Where, what and how much: also where nothing was found yet. */
const props = defineProps<{ planting?: string; target?: string; share?: number; open: boolean }>()
const emit = defineEmits<{ suppose: [ask: { planting: string; target: string; share: number }] }>()
const { plantingOptions } = useGarden()
const targets = useTargets()
const troubles = computed(() => targets.value.filter((t) => !t.noSpray))
const planting = ref(props.planting)
const target = ref(props.target)
const sharePercent = ref<number | null>(null)
watch(
  () => props.share,
  (share) => (sharePercent.value = share === undefined ? sharePercent.value : Math.round(share * 100)),
  { immediate: true },
)
const id = useId()
const ready = computed(
  () =>
    planting.value &&
    target.value &&
    sharePercent.value !== null &&
    sharePercent.value > 0 &&
    sharePercent.value <= 100,
)
function suppose() {
  if (planting.value && target.value && ready.value && sharePercent.value !== null)
    emit('suppose', { planting: planting.value, target: target.value, share: sharePercent.value / 100 })
}
</script>

<template>
  <details :open="open" class="card">
    <summary>{{ tell('whatif.supposeSomethingElse') }}</summary>
    <form novalidate @submit.prevent="suppose">
      <SelectField
        v-model="planting"
        :options="plantingOptions"
        :label="tell('bench.where')"
        take="id"
        :placeholder="tell('whatif.chooseAPlanting')"
        filter
      />
      <SelectField
        v-model="target"
        :options="troubles"
        :label="tell('ledger.what')"
        :placeholder="tell('whatif.chooseATrouble')"
        filter
        :also="['also']"
      />
      <div class="field">
        <label :for="id">{{ tell('whatif.affectedInAHundred') }}</label>
        <NumberField v-model="sharePercent" :input-id="id" :min="1" :max="100" fluid />
      </div>
      <Button type="submit" :label="tell('whatif.playItThrough')" :disabled="!ready" />
    </form>
  </details>
</template>

<style scoped>
summary {
  min-height: 32px;
  color: var(--mauve-deep);
}

form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 12px;
  align-items: end;
  margin-top: 8px;
}
</style>
