<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import { trim } from '@/kit/format'
import { household, told } from '@/kit/household'

/** A sprayer's tank with its marks, filled to the mix. */
const props = defineProps<{
  capacity: number
  litres: number
  amount: string
  hatch: string
  words: string
}>()

const top = 46
const bottom = 216
const y = (litres: number) => bottom - (bottom - top) * Math.min(1, litres / props.capacity)
/** Marks in the unit that the household reads volumes in. */
const marks = computed(() => {
  const { factor } = household.value.scales.volume
  const capacity = props.capacity * factor
  const step = capacity <= 1.3 ? 0.25 : capacity <= 7 ? 1 : 3
  const result: { litres: number; text: string }[] = []
  for (let m = step; m <= capacity + 1e-9; m += step) result.push({ litres: m / factor, text: trim(m, 2) })
  return result
})
</script>

<template>
  <svg
    viewBox="0 0 220 228"
    role="img"
    :aria-label="tell('drawings.inATank', { amount, capacity: told('volume', capacity) })"
  >
    <clipPath id="tank">
      <path
        d="M66 14H134V34C160 40 170 52 170 70V206Q170 216 160 216H40Q30 216 30 206V70C30 52 40 40 66 34Z"
      />
    </clipPath>
    <g clip-path="url(#tank)">
      <rect class="air" x="20" y="0" width="170" height="228" />
      <rect class="mix" x="20" :y="y(litres)" width="170" height="228" />
      <rect x="20" :y="y(litres)" width="170" height="10" :fill="`url(#hatch-${hatch})`" />
    </g>
    <path
      class="glass"
      d="M66 14H134V34C160 40 170 52 170 70V206Q170 216 160 216H40Q30 216 30 206V70C30 52 40 40 66 34Z"
    />
    <g v-for="m in marks" :key="m.text" class="mark">
      <path :d="`M158 ${y(m.litres)}H182`" />
      <text x="188" :y="y(m.litres) + 4">{{ m.text }}</text>
    </g>
    <text class="big" :class="{ long: amount.length > 9 }" x="98" :y="Math.min(196, y(litres) + 42)">
      {{ amount }}
    </text>
    <text class="small" x="98" :y="Math.min(212, y(litres) + 60)">{{ words }}</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 260px;
}

.air {
  fill: var(--paper);
}

.mix {
  fill: var(--mauve-soft);
}

.glass {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}

.mark path {
  stroke: var(--ink);
  stroke-width: 1.2;
}

.mark text,
.small {
  font: 0.8rem var(--text);
  fill: var(--ink);
}

.big {
  font: 700 1.5rem var(--heading);
  fill: var(--ink);
  text-anchor: middle;
}

.big.long {
  font-size: 1rem;
}

.small {
  text-anchor: middle;
}
</style>
