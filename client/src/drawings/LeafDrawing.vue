<script setup lang="ts">
import { computed, useId } from 'vue'
import { leafShape } from './leafShapes'
import { signArt } from './signArt'

/** A leaf of a crop with a sign on it. Decorative unless it is given a name. */
const props = withDefaults(defineProps<{ leaf: string; sign?: string; size?: number; label?: string }>(), {
  sign: undefined,
  size: 48,
  label: undefined,
})

const clip = useId()
const shape = computed(() => leafShape(props.leaf))
const marks = computed(() => (props.sign ? (signArt[props.sign] ?? []) : []))
</script>

<template>
  <svg
    class="leaf"
    viewBox="0 0 100 120"
    :width="size"
    :height="size * 1.2"
    :role="label ? 'img' : undefined"
    :aria-label="label"
    :aria-hidden="label ? undefined : true"
  >
    <clipPath :id="clip"><path :d="shape.outline" /></clipPath>
    <path class="blade" :d="shape.outline" />
    <path class="veins" :d="shape.veins" />
    <g :clip-path="`url(#${clip})`">
      <path
        v-for="(mark, i) in marks"
        :key="i"
        :d="mark.d"
        :fill="mark.fill ?? 'none'"
        :stroke="mark.stroke"
        :stroke-width="mark.width"
        stroke-linecap="round"
      />
    </g>
    <path class="edge" :d="shape.outline" />
  </svg>
</template>

<style scoped>
.blade {
  fill: var(--foliage);
}

.veins {
  fill: none;
  stroke: #3e5218;
  stroke-width: 1.6;
  opacity: 0.7;
}

.edge {
  fill: none;
  stroke: #3e5218;
  stroke-width: 2.2;
}
</style>
