<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { stepWords } from '@/garden/words'
import { trim } from '@/kit/format'
import type { BenchAsk } from './useBench'

/** What refuses or weakens the mix, and the cautions that belong to it. */
const props = defineProps<{ bench: Schemas['BenchAnswer'] }>()
const emit = defineEmits<{ change: [more: Partial<BenchAsk>] }>()
const tone = (verdict: Schemas['MixVerdict']) => (verdict === 'refused' ? 'stop' : 'caution')
const hours = computed(() =>
  props.bench.mixedLifeHours > 48
    ? `${trim(props.bench.mixedLifeHours / 24, 0)} days`
    : `${trim(props.bench.mixedLifeHours, 0)} hours`,
)
const short = computed(() => props.bench.shelf.filter((l) => l.missing > 0))
const hints = computed(() => [...new Set(props.bench.shelf.flatMap((l) => l.hints))])
</script>

<template>
  <div class="warnings">
    <div class="warnings" role="status">
      <p v-for="r in bench.reasons" :key="r.code + r.sentence" class="note" :class="tone(r.verdict)">
        {{ r.sentence }}
      </p>
    </div>
    <div v-if="bench.nearestStep" class="note">
      <p>The nearest that is allowed now is the {{ stepWords[bench.nearestStep] }} dose.</p>
      <Button
        :label="`Take the ${stepWords[bench.nearestStep]} dose`"
        size="small"
        variant="outlined"
        @click="emit('change', { step: bench.nearestStep ?? undefined, dose: undefined })"
      />
    </div>
    <Button
      v-if="bench.added.length && bench.verdict === 'refused'"
      label="Leave out what was added"
      size="small"
      variant="outlined"
      @click="emit('change', { add: [] })"
    />
    <p v-for="l in short" :key="l.material" class="note caution">
      {{ l.name }}: {{ trim(l.needed, 1) }} {{ l.unit }} wanted, {{ trim(l.onShelf ?? 0, 1) }} {{ l.unit }} on
      the shelf.
    </p>
    <p v-for="h in hints" :key="h" class="note caution">{{ h }}</p>
    <p v-for="n in bench.notes" :key="n" class="note">{{ n }}</p>
    <p v-for="c in bench.cautions" :key="c" class="note caution">{{ c }}</p>
    <p class="note">
      Good for {{ hours }} once mixed.
      {{
        bench.daysToWait === null
          ? 'Picking: its label says when. Wash the harvest.'
          : bench.daysToWait === 0
            ? 'Nothing to wait for before picking; wash the harvest.'
            : `Pick ${bench.daysToWait === 1 ? 'a day' : `${bench.daysToWait} days`} later at the earliest; wash the harvest.`
      }}
    </p>
  </div>
</template>

<style scoped>
.warnings {
  display: grid;
  gap: 8px;
}
</style>
