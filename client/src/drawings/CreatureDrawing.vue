<script setup lang="ts">
import { computed } from 'vue'
import { creatures } from './creatureArt'

/** A helper or a stage of an insect's life. Decorative unless it is given a name. */
const props = withDefaults(
  defineProps<{
    creature: string
    size?: number
    label?: string
    /** Colour of its body; that of the page where nobody said. */
    tint?: string
  }>(),
  { size: 54, label: undefined, tint: undefined },
)
const drawn = computed(() => creatures[props.creature])
</script>

<template>
  <svg
    class="creature"
    viewBox="0 0 60 40"
    :width="size"
    :height="(size * 2) / 3"
    :role="label ? 'img' : undefined"
    :aria-label="label"
    :aria-hidden="label ? undefined : true"
  >
    <path v-if="drawn?.limbs" class="lines" :d="drawn.limbs" />
    <path v-if="drawn?.soft" class="soft" :style="{ fill: tint }" :d="drawn.soft" />
    <path v-if="drawn?.lines" class="lines" :d="drawn.lines" />
    <path v-if="drawn?.solid" class="solid" :d="drawn.solid" />
  </svg>
</template>

<style scoped>
.lines {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.3;
  stroke-linecap: round;
}

.soft {
  fill: var(--mauve-soft);
  stroke: var(--ink);
  stroke-width: 1.4;
}

.solid {
  fill: var(--ink);
}
</style>
