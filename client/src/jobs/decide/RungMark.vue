<script setup lang="ts">
import type { Schemas } from '@/api/client'

/** One rung between the rails: solid where a step is proposed, open where it would do too, broken where it was passed over. */
defineProps<{ choice: Schemas['StepChoice']; taken: boolean }>()
</script>

<template>
  <div class="rails" aria-hidden="true">
    <svg :class="choice" viewBox="0 0 38 24" width="38" height="24">
      <path v-if="choice === 'passedOver'" d="M0 12h12M26 12h12" />
      <rect v-else x="1" y="7" width="36" height="9" />
      <path v-if="taken" d="M10 12l6 6L30 3" class="tick" />
    </svg>
  </div>
</template>

<style scoped>
.rails {
  align-self: stretch;
  width: 44px;
  /* The rails run on through the padding of the step. */
  margin: -8px 0;
  padding-top: 8px;
  border-inline: 3px solid var(--mauve-line);
}

svg {
  display: block;
}

rect,
path {
  stroke: var(--mauve-deep);
  stroke-width: 2;
  fill: var(--surface);
}

.do rect {
  fill: var(--mauve);
}

.passedOver path {
  stroke: var(--ink-soft);
}

.tick {
  fill: none;
  stroke: var(--leaf-ink);
  stroke-width: 5;
}
</style>
