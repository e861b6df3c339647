<script setup lang="ts">
import { computed, useId } from 'vue'

/**
 * Spoons and cups drawn to one scale, from the side: whole ones full, the last filled to its part. A spoon is half a ball of its
 * volume, a cup a cylinder as wide as it is high.
 */
const props = defineProps<{ scoops: { unit: string; count: number; millilitres: number }[] }>()

const id = useId()
/** Pixels for a centimetre. */
const scale = 13
const most = 8

const measures = computed(() =>
  props.scoops
    .flatMap(({ unit, count, millilitres }) => {
      const whole = Math.floor(count)
      const fills: number[] = Array.from({ length: whole }, () => 1)
      if (count > whole) fills.push(count - whole)
      return fills.map((fill) => ({ unit, fill, millilitres }))
    })
    .slice(0, most)
    .map(({ unit, fill, millilitres }) => {
      if (unit === 'cup') {
        const side = Math.cbrt((4 * millilitres) / Math.PI) * scale
        return { cup: true, side, level: side * (1 - fill), fill }
      }
      const radius = Math.cbrt((3 * millilitres) / (2 * Math.PI)) * scale
      return { cup: false, side: 2 * radius, level: radius * (1 - depth(fill)), fill }
    }),
)

/** How deep half a ball of radius 1 is filled by a share of its volume: h²(3 − h) / 2 = share. */
function depth(share: number): number {
  let [low, high] = [0, 1]
  for (let i = 0; i < 20; i++) {
    const h = (low + high) / 2
    if ((h * h * (3 - h)) / 2 < share) low = h
    else high = h
  }
  return high
}
</script>

<template>
  <span class="spoons" aria-hidden="true">
    <template v-for="(m, i) in measures" :key="i">
      <svg
        v-if="m.cup"
        :width="m.side + 14"
        :height="m.side + 4"
        :viewBox="`-2 -2 ${m.side + 14} ${m.side + 4}`"
      >
        <rect class="fill" x="0" :y="m.level" :width="m.side" :height="m.side - m.level" />
        <path class="mark" :d="[0.25, 0.5, 0.75].map((q) => `M0 ${m.side * q}h${m.side * 0.16}`).join('')" />
        <path
          class="line"
          :d="`M0 0V${m.side}H${m.side}V0M${m.side} ${m.side * 0.25}h9v${m.side * 0.4}h-9`"
        />
      </svg>
      <svg
        v-else
        :width="m.side + 26"
        :height="m.side / 2 + 6"
        :viewBox="`-2 -4 ${m.side + 26} ${m.side / 2 + 6}`"
      >
        <clipPath :id="`${id}-${i}`">
          <rect x="-2" :y="m.level" :width="m.side + 4" :height="m.side" />
        </clipPath>
        <path
          class="fill"
          :d="`M0 0A${m.side / 2} ${m.side / 2} 0 0 0 ${m.side} 0Z`"
          :clip-path="`url(#${id}-${i})`"
        />
        <path class="line" :d="`M0 0A${m.side / 2} ${m.side / 2} 0 0 0 ${m.side} 0ZM${m.side} 0h22`" />
      </svg>
    </template>
  </span>
</template>

<style scoped>
.spoons {
  display: inline-flex;
  flex-wrap: wrap;
  align-items: end;
  justify-content: end;
  gap: 2px 4px;
  max-width: 220px;
}

.fill {
  fill: var(--mauve-line);
}

.line,
.mark {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}

.mark {
  stroke-width: 1;
}
</style>
