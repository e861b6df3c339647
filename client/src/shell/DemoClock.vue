<script setup lang="ts">
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { answer, api } from '@/api/client'

const client = useQueryClient()
const step = useMutation({
  mutationFn: (hours: number) => answer(api.POST('/api/demo/step', { body: { hours } })),
  onSuccess: () => client.invalidateQueries(),
})
const reset = useMutation({
  mutationFn: () => answer(api.POST('/api/demo/reset')),
  onSuccess: () => client.invalidateQueries(),
})

function startOver() {
  // What was written in the demo is gone after this, and no undo brings it back.
  if (window.confirm('Start the demo over? What you wrote in it is lost.')) reset.mutate()
}
</script>

<template>
  <span class="demo" role="group" aria-label="Demo clock">
    <button :disabled="step.isPending.value" title="Demo clock: one hour on" @click="step.mutate(1)">
      +1 h
    </button>
    <button :disabled="step.isPending.value" title="Demo clock: one day on" @click="step.mutate(24)">
      +1 day
    </button>
    <button :disabled="reset.isPending.value" title="Demo clock: back to the beginning" @click="startOver">
      Reset
    </button>
  </span>
</template>

<style scoped>
.demo {
  display: flex;
}

button {
  padding: 6px 8px;
  background: none;
  color: var(--frame-soft);
  border: 1px dashed var(--frame-line);
  cursor: pointer;
}

button + button {
  border-left: 0;
}

button:hover {
  color: var(--frame-ink);
}
</style>
