<script setup lang="ts">
/** The jobs under the thumb, each in a few strokes. */
defineProps<{ job: string }>()
</script>

<template>
  <svg viewBox="0 0 26 22" width="26" height="22" aria-hidden="true">
    <path v-if="job === 'board'" d="M2 19h22M5 15h6M5 10h12M5 5h9M20 3v16" />
    <path v-else-if="job === 'walk'" d="M3 19c4-1 2-7 7-8s3-6 8-8M13 19c3 0 9-2 10-9-7 0-10 4-10 9Z" />
    <path v-else-if="job === 'decide'" d="M13 20v-8M13 12 5 5M13 12l8-7M5 11V5h6M15 5h6v6" />
    <path v-else-if="job === 'bench'" d="M10 2h6M11 2v6l-5 9c-1 2 0 3 2 3h10c2 0 3-1 2-3l-5-9V2M8 14h10" />
    <path v-else d="M4 6h18M4 11h18M4 16h18" />
  </svg>
</template>

<style scoped>
path {
  fill: none;
  stroke: currentcolor;
  stroke-width: 2;
  stroke-linejoin: round;
  stroke-linecap: round;
}
</style>
