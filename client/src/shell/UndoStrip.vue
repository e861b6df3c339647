<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { useGarden } from '@/garden/useGarden'
import { dayAndClock } from '@/kit/format'
import { useUndo } from './useUndo'

/** What was written last, with a way back. It has a place of its own under the top bar and covers nothing. */
const { garden } = useGarden()
const { offered, nothing, undo, dismiss, problem, busy } = useUndo()
</script>

<template>
  <div class="no-print" role="status">
    <div v-if="offered" class="bar">
      <span v-if="problem">{{ problem.message }}</span>
      <span v-else-if="offered.own">{{ offered.words }}.</span>
      <span v-else>{{
        offered.by
          ? tell('shell.takeBack', {
              words: offered.words,
              dayAndClock: dayAndClock(offered.at, garden?.timeZoneId ?? 'UTC'),
              by: offered.by,
            })
          : tell('shell.takeBack2', {
              words: offered.words,
              dayAndClock: dayAndClock(offered.at, garden?.timeZoneId ?? 'UTC'),
            })
      }}</span>
      <Button
        :label="tell('shell.undo')"
        size="small"
        severity="contrast"
        variant="outlined"
        :loading="busy"
        @click="undo"
      />
      <button class="close" :aria-label="tell('archive.close')" @click="dismiss">×</button>
    </div>
    <div v-else-if="nothing" class="bar">
      <span>{{ tell('shell.nothingWasWrittenYetSoThere') }}</span>
      <button class="close" :aria-label="tell('archive.close')" @click="dismiss">×</button>
    </div>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 2px 6px 2px 16px;
  background: var(--frame);
  color: var(--frame-ink);
  border-top: 1px solid var(--frame-line);
}

.bar > span {
  flex: 1;
}

.bar :deep(.p-button) {
  color: var(--frame-ink);
  border-color: var(--frame-soft);
  background: transparent;
}

.close {
  width: 44px;
  height: 44px;
  border: 0;
  background: none;
  color: inherit;
  font-size: 1.3rem;
  cursor: pointer;
}
</style>
