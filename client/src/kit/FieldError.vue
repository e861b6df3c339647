<script setup lang="ts">
import { computed } from 'vue'
import type { Problem } from '@/api/client'

/** What is wrong with one field, beside it. Without a field: what belongs to no field that is shown. */
const props = defineProps<{ problem: Problem | null; field?: string; shown?: string[] }>()

const words = computed(() => {
  if (!props.problem) return ''
  if (props.field !== undefined) return props.problem.fields[props.field] ?? ''
  const elsewhere = Object.keys(props.problem.fields).some((f) => props.shown?.includes(f))
  return elsewhere ? '' : props.problem.message
})
</script>

<template>
  <p v-if="words" class="wrong" role="alert">{{ words }}</p>
</template>

<style scoped>
.wrong {
  color: var(--brick-ink);
  font-weight: 600;
}
</style>
