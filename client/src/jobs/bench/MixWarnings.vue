<script setup lang="ts">
import { tell } from '@/language'
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
    ? tell('bench.days2', { mixedLifeHours: trim(props.bench.mixedLifeHours / 24, 0) })
    : tell('bench.hours', { mixedLifeHours: trim(props.bench.mixedLifeHours, 0) }),
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
      <p>{{ tell('bench.theNearestThatIsAllowedNow', { stepWords: stepWords[bench.nearestStep] }) }}</p>
      <Button
        :label="tell('bench.takeTheDose', { stepWords: stepWords[bench.nearestStep] })"
        size="small"
        variant="outlined"
        @click="emit('change', { step: bench.nearestStep ?? undefined, dose: undefined })"
      />
    </div>
    <Button
      v-if="bench.added.length && bench.verdict === 'refused'"
      :label="tell('bench.leaveOutWhatWasAdded')"
      size="small"
      variant="outlined"
      @click="emit('change', { add: [] })"
    />
    <p v-for="l in short" :key="l.material" class="note caution">
      {{
        tell('bench.wantedOnTheShelf', {
          it: l.name,
          needed: trim(l.needed, 1),
          unit: l.unit,
          onShelf: trim(l.onShelf ?? 0, 1),
        })
      }}
    </p>
    <p v-for="h in hints" :key="h" class="note caution">{{ h }}</p>
    <p v-for="n in bench.notes" :key="n" class="note">{{ n }}</p>
    <p v-for="c in bench.cautions" :key="c" class="note caution">{{ c }}</p>
    <p class="note">
      {{
        bench.daysToWait === null
          ? tell('bench.goodForOnceMixedPickingIts', { hours })
          : bench.daysToWait === 0
            ? tell('bench.goodForOnceMixedNothing', { hours })
            : bench.daysToWait === 1
              ? tell('bench.goodForOnceMixedPick', { hours })
              : tell('bench.goodForOnceMixedPickDays', { hours, daysToWait: bench.daysToWait })
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
