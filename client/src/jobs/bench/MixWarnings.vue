<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { stepWords } from '@/garden/words'

/** What refuses or weakens the mix, and the cautions that belong to it. */
const props = defineProps<{ bench: Schemas['BenchAnswer'] }>()
const tone = (verdict: Schemas['MixVerdict']) => (verdict === 'refused' ? 'stop' : 'caution')
const down = computed(() => props.bench.verdict === 'stepDown')
</script>

<template>
  <div class="warnings" role="status">
    <p v-for="r in bench.reasons" :key="r.code" class="note" :class="tone(r.verdict)">{{ r.sentence }}</p>
    <p v-if="down" class="note stop">
      Choose the {{ stepWords[bench.allowedStep] }} dose, then it can be saved.
    </p>
    <p v-if="bench.mixingNote" class="note">{{ bench.mixingNote }}</p>
    <p v-for="c in bench.cautions" :key="c" class="note caution">{{ c }}</p>
    <p class="note">Good for {{ bench.mixedLifeHours }} hours once mixed.</p>
  </div>
</template>

<style scoped>
.warnings {
  display: grid;
  gap: 8px;
}
</style>
