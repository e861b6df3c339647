<script setup lang="ts">
import { computed, useId } from 'vue'
import { leafShape } from './leafShapes'
import { paintLeaf } from './paintedLeaf'
import { signArt } from './signArt'

/**
 * A leaf of a crop with a sign on it: its portrait, or with `severity` just that share of the blade painted. Decorative unless
 * it is given a name.
 */
const props = withDefaults(
  defineProps<{
    leaf: string
    sign?: string
    side?: 'upper' | 'under'
    /** Share of the blade that is painted, per cent. */
    severity?: number
    size?: number
    label?: string
  }>(),
  { sign: undefined, side: 'upper', severity: undefined, size: 48, label: undefined },
)

const clip = useId()
const shape = computed(() => leafShape(props.leaf))
const marks = computed(() => {
  if (!props.sign) return []
  return props.severity === undefined
    ? (signArt[props.sign] ?? [])
    : paintLeaf(props.leaf, props.sign, props.severity).regions
})
</script>

<template>
  <svg
    class="leaf"
    :class="side"
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
        :stroke="'stroke' in mark ? mark.stroke : undefined"
        :stroke-width="'width' in mark ? mark.width : undefined"
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

.under .blade {
  fill: var(--foliage-under);
}

.veins {
  fill: none;
  stroke: #3e5218;
  stroke-width: 1.6;
  opacity: 0.7;
}

.under .veins {
  stroke: #e6eccf;
  stroke-width: 2.8;
  opacity: 1;
}

.edge {
  fill: none;
  stroke: #3e5218;
  stroke-width: 2.2;
}
</style>
