<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import type { Problem } from '@/api/client'

/** Two changed one thing, and the server told what each wrote: keep what is there, or write over it. */
defineProps<{ problem: Problem | null }>()
const emit = defineEmits<{ over: []; keep: [] }>()
</script>

<template>
  <div v-if="problem?.code === 'changed-meanwhile'" class="actions">
    <Button type="button" :label="tell('kit.writeMineOver')" variant="outlined" @click="emit('over')" />
    <Button type="button" :label="tell('kit.keepWhatIsThere')" variant="text" @click="emit('keep')" />
  </div>
</template>
