<script setup lang="ts">
import { tell } from '@/language'
import LeafDrawing from '@/drawings/LeafDrawing.vue'
import { severityShares } from '@/drawings/paintedLeaf'

/** How much of an affected leaf is covered, by leaves whose painted share is known. */
const severity = defineModel<number | null>({ required: true })
defineProps<{ leaf: string; sign?: string; side: 'upper' | 'under' }>()

const toggle = (share: number) => (severity.value = severity.value === share ? null : share)
</script>

<template>
  <div class="shares" role="group" :aria-label="tell('walk.howMuchOfAnAffectedLeaf2')">
    <button
      v-for="share in severityShares"
      :key="share"
      :aria-pressed="severity === share"
      @click="toggle(share)"
    >
      <LeafDrawing :leaf="leaf" :sign="sign ?? 'small-spots'" :side="side" :severity="share" :size="40" />
      <span>{{ share }} %</span>
    </button>
  </div>
</template>

<style scoped>
.shares {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 6px;
}

button {
  display: grid;
  justify-items: center;
  min-height: 78px;
  min-width: 0;
  padding: 4px 0;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  cursor: pointer;
}

button[aria-pressed='true'] {
  background: var(--mauve-soft);
  border: 2px solid var(--mauve);
  font-weight: 700;
}
</style>
