<script setup lang="ts">
import { computed } from 'vue'

/** Spoons and cups drawn to what is to be measured: whole ones full, the last filled to its part. */
const props = defineProps<{ scoops: { unit: string; count: number }[] }>()

const measures = computed(() =>
  props.scoops.flatMap(({ unit, count }) => {
    const whole = Math.floor(count)
    const fills: number[] = Array.from({ length: whole }, () => 1)
    if (count > whole) fills.push(count - whole)
    return fills.slice(0, 8).map((fill) => ({ unit, fill }))
  }),
)
const size: Record<string, { rx: number; ry: number }> = { tsp: { rx: 8, ry: 10 }, tbsp: { rx: 11, ry: 14 } }
</script>

<template>
  <span class="spoons" aria-hidden="true">
    <template v-for="(m, i) in measures" :key="i">
      <svg v-if="m.unit === 'cup'" width="30" height="34" viewBox="0 0 30 34">
        <rect class="fill" x="3" :y="30 - 24 * m.fill" width="20" :height="24 * m.fill" />
        <path class="line" d="M3 6V30H23V6M23 12h4v10h-4" />
      </svg>
      <svg v-else width="26" height="46" viewBox="0 0 26 46">
        <clipPath :id="`spoon-${i}-${m.fill}`">
          <rect
            x="0"
            :y="16 + (size[m.unit]?.ry ?? 10) - 2 * (size[m.unit]?.ry ?? 10) * m.fill"
            width="26"
            height="46"
          />
        </clipPath>
        <ellipse
          class="fill"
          cx="13"
          cy="16"
          v-bind="size[m.unit] ?? size.tsp"
          :clip-path="`url(#spoon-${i}-${m.fill})`"
        />
        <ellipse class="line" cx="13" cy="16" v-bind="size[m.unit] ?? size.tsp" />
        <path class="line" :d="`M13 ${16 + (size[m.unit]?.ry ?? 10)}V45`" />
      </svg>
    </template>
  </span>
</template>

<style scoped>
.spoons {
  display: inline-flex;
  align-items: end;
  gap: 1px;
}

.fill {
  fill: var(--mauve-line);
}

.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
</style>
