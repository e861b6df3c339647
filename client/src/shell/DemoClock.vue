<script setup lang="ts">
import { tell } from '@/language'
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { answer, api } from '@/api/client'
import { readAnew } from '@/garden/readAnew'

const client = useQueryClient()
const step = useMutation({
  mutationFn: (hours: number) => answer(api.POST('/api/demo/step', { body: { hours } })),
  onSuccess: () => readAnew(client),
})
const reset = useMutation({
  mutationFn: () => answer(api.POST('/api/demo/reset')),
  onSuccess: () => readAnew(client),
})

function startOver() {
  // What was written in the demo is gone after this, and no undo brings it back.
  if (window.confirm(tell('shell.startTheDemoOverWhatYou'))) reset.mutate()
}
</script>

<template>
  <span class="demo" role="group" :aria-label="tell('shell.demoClock')">
    <button :disabled="step.isPending.value" :title="tell('shell.demoClockOneHour')" @click="step.mutate(1)">
      +1 h
    </button>
    <button :disabled="step.isPending.value" :title="tell('shell.demoClockOneDay')" @click="step.mutate(24)">
      {{ tell('shell.1Day') }}
    </button>
    <button
      :disabled="reset.isPending.value"
      :title="tell('shell.demoClockBackToTheBeginning')"
      @click="startOver"
    >
      {{ tell('shell.reset') }}
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
