<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useGarden } from '@/garden/useGarden'
import { antsWords, stanceWords } from '@/garden/words'
import { day, percent } from '@/kit/format'
import LadderStep from './LadderStep.vue'
import { open, type Ladder, type Step } from './useDecide'

/** One trouble with its steps, from gentle to drastic. */
const props = defineProps<{ ladder: Ladder; busy: boolean }>()
defineEmits<{ accept: [step: Step]; pass: [step: Step]; acceptAll: [] }>()
const router = useRouter()
const { garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const named = computed(() => props.ladder.target !== null)
const shown = computed(() => props.ladder.steps.filter((s) => s.choice !== 'passedOver' || s.taken))
const over = computed(() => props.ladder.steps.filter((s) => s.choice === 'passedOver' && !s.taken))
const proposed = computed(() => open(props.ladder))
const end = computed(() => Math.min(1, Math.max(props.ladder.share, props.ladder.line) * 1.25))
</script>

<template>
  <article class="card ladder">
    <header>
      <h2>{{ ladder.where }}: {{ ladder.name }}</h2>
      <p class="soft">
        {{ day(ladder.at, zone) }}, {{ ladder.leavesAffected }} of {{ ladder.leavesLooked }} leaves;
        {{ stanceWords[ladder.stance].toLowerCase()
        }}<template v-if="ladder.helpers">, {{ ladder.helpers }} helpers</template
        ><template v-if="ladder.ants !== 'none'">, {{ antsWords[ladder.ants] }} ants</template>
      </p>
      <p class="figures">
        <strong>{{ percent(ladder.share) }} of leaves</strong>
        <span class="soft">line {{ percent(ladder.line) }}</span>
      </p>
      <div class="scale" aria-hidden="true">
        <i
          :style="{ width: `${(ladder.share / end) * 100}%` }"
          :class="{ over: ladder.share >= ladder.line }"
        />
        <b :style="{ left: `${(ladder.line / end) * 100}%` }" />
      </div>
      <p class="small soft">{{ ladder.lineReason }}</p>
    </header>
    <ol>
      <LadderStep
        v-for="step in shown"
        :key="step.code + step.name"
        :ladder="ladder"
        :step="step"
        :busy="busy"
        @accept="$emit('accept', step)"
        @pass="$emit('pass', step)"
      />
    </ol>
    <details v-if="over.length">
      <summary>Passed over, and why ({{ over.length }})</summary>
      <ol>
        <LadderStep
          v-for="step in over"
          :key="step.code + step.name"
          :ladder="ladder"
          :step="step"
          :busy="busy"
        />
      </ol>
    </details>
    <div class="actions">
      <Button
        v-if="proposed.length > 1"
        :label="`Take on all ${proposed.length}`"
        :aria-label="`Take on all ${proposed.length} for ${ladder.where}, ${ladder.name}`"
        :disabled="busy"
        @click="$emit('acceptAll')"
      />
      <Button
        v-if="ladder.canPlay"
        label="What if?"
        variant="outlined"
        :aria-label="`What if? ${ladder.name} on ${ladder.where}`"
        @click="
          router.push({ name: 'what-if', query: { planting: ladder.plantingId, target: ladder.target } })
        "
      />
      <Button
        v-if="!named || ladder.isGroup"
        label="Find out what it is"
        variant="outlined"
        :aria-label="`Find out what it is on ${ladder.where}`"
        @click="router.push({ name: 'suspects', params: { observationId: ladder.observationId } })"
      />
      <Button
        label="Count again"
        variant="text"
        :aria-label="`Count ${ladder.where} again`"
        @click="router.push({ name: 'count', params: { plantingId: ladder.plantingId } })"
      />
    </div>
  </article>
</template>

<style scoped>
.ladder,
header {
  display: grid;
  gap: 10px;
}

header {
  gap: 4px;
}

.scale {
  position: relative;
  height: 12px;
  margin: 4px 0 8px;
  background: var(--paper);
  border: 1px solid var(--line);
}

.figures {
  display: flex;
  justify-content: space-between;
}

.scale i {
  display: block;
  height: 100%;
  background: var(--mauve);
}

.scale i.over {
  background: var(--brick);
}

.scale b {
  position: absolute;
  top: -6px;
  height: 22px;
  border-left: 2px solid var(--ink);
}

summary {
  min-height: 44px;
  padding: 10px 0;
  color: var(--mauve-deep);
  cursor: pointer;
}
</style>
