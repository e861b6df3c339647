<script setup lang="ts">
/** SVG patterns, one for each hatch of the catalogue: a group is told by its hatch as well as by its tint. */
import { hatchTints } from './hatches'
</script>

<template>
  <svg class="patterns" width="0" height="0" aria-hidden="true" focusable="false">
    <defs>
      <pattern
        v-for="(tint, name) in hatchTints"
        :id="`hatch-${name}`"
        :key="name"
        width="8"
        height="8"
        patternUnits="userSpaceOnUse"
      >
        <rect width="8" height="8" :fill="tint" />
        <g class="marks">
          <path v-if="name === 'rise'" d="M-2 10L10 -2M-2 2L2 -2M6 10L10 6" />
          <path v-if="name === 'fall'" d="M-2 -2L10 10M6 -2L10 2M-2 6L2 10" />
          <path v-if="name === 'level'" d="M0 4H8" />
          <path v-if="name === 'upright'" d="M4 0V8" />
          <path v-if="name === 'grid'" d="M0 4H8M4 0V8" />
          <path v-if="name === 'cross'" d="M0 0L8 8M8 0L0 8" />
          <path v-if="name === 'waves'" d="M0 4Q2 1 4 4T8 4" />
          <path v-if="name === 'zigzag'" d="M0 6L2 2L4 6L6 2L8 6" />
          <path v-if="name === 'dashes'" d="M1 2H4M5 6H8" />
          <path v-if="name === 'plus'" d="M4 1.5V6.5M1.5 4H6.5" />
          <path v-if="name === 'ticks'" d="M1.5 4L3 6L6.5 1.5" />
          <path v-if="name === 'bricks'" d="M0 0H8M0 4H8M2 0V4M6 4V8" />
          <circle v-if="name === 'rings'" cx="4" cy="4" r="2.2" />
          <circle v-if="name === 'dots'" cx="4" cy="4" r="1.3" class="dot" />
          <g v-if="name === 'speckle'" class="dot">
            <circle cx="2" cy="2" r="0.9" />
            <circle cx="6" cy="5" r="0.9" />
          </g>
        </g>
      </pattern>
    </defs>
  </svg>
</template>

<style scoped>
.patterns {
  position: absolute;
}

.marks {
  fill: none;
  stroke: #2b1a33b3;
  stroke-width: 1.1;
}

.dot {
  fill: #2b1a33b3;
  stroke: none;
}
</style>
