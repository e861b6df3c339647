<script setup lang="ts">
import { figure, tell } from '@/language'
import { computed } from 'vue'
import { household } from '@/kit/household'
import CreatureDrawing from './CreatureDrawing.vue'
import { spanOf } from './creatureArt'

/** A stage of life twice: enlarged, with a bar that says how much, and as large as life, so that it can be held against the leaf in hand. */
const props = withDefaults(
  defineProps<{ creature: string; lengthMm: number; tint: string; size?: number }>(),
  { size: 84 },
)

/** Pixels to a millimetre, as a browser reckons them. */
const pixelsPerMm = 96 / 25.4
const box = 60
/** Half of a phone is no wider: what is larger is told by its bar alone. */
const widest = 150

/** What a bar may be, by what the household measures lengths in. */
const metric = [0.1, 0.5, 1, 5, 10, 20].map((mm) => ({ mm, told: `${figure(mm, 1)} mm` }))
const inches = [64, 32, 16, 8, 4, 2].map((part) => ({ mm: 25.4 / part, told: `1/${part} in` }))

const unitsPerMm = computed(() => spanOf(props.creature) / props.lengthMm)
const bar = computed(() => {
  const bars = household.value.scales.length.word === 'm' ? metric : inches
  return bars.filter((b) => b.mm * unitsPerMm.value <= box * 0.55).at(-1) ?? bars[0]
})
const barWidth = computed(() => (bar.value?.mm ?? 0) * unitsPerMm.value * (props.size / box))
const lifeSize = computed(() => (props.lengthMm * pixelsPerMm * box) / spanOf(props.creature))
</script>

<template>
  <span class="stage">
    <CreatureDrawing :creature="creature" :size="size" :tint="tint" />
    <span class="bar">
      <svg :width="barWidth + 4" height="8" aria-hidden="true">
        <path :d="`M2 1v6M2 4h${barWidth}m0 -3v6`" />
      </svg>
      {{ bar?.told }}
    </span>
    <span v-if="lifeSize <= widest" class="life" :title="tell('drawings.asLargeAsLife')">
      <CreatureDrawing :creature="creature" :size="lifeSize" :tint="tint" />
    </span>
  </span>
</template>

<style scoped>
.stage {
  display: grid;
  justify-items: center;
  align-content: start;
  gap: 2px;
}

path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}

.bar {
  display: flex;
  gap: 4px;
  align-items: center;
}

.life {
  display: grid;
  place-items: center;
  min-height: 14px;
  max-width: 100%;
}
</style>
