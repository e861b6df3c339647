<script setup lang="ts">
import PlainWords from '@/kit/PlainWords.vue'
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useGarden } from '@/garden/useGarden'
import { civilDay } from '@/kit/format'
import RungMark from './RungMark.vue'
import { isCourse, type Ladder, type Step } from './useDecide'

const props = defineProps<{ ladder: Ladder; step: Step; busy: boolean }>()
defineEmits<{ accept: []; pass: [] }>()
const router = useRouter()
const { today } = useGarden()

const when = computed(() => {
  if (!props.step.on || props.step.choice === 'passedOver') return ''
  return props.step.on <= today.value ? tell('decide.today2') : civilDay(props.step.on)
})
/** Rounds of a course that runs already are mixed at once. */
const running = computed(
  () =>
    props.step.choice === 'do' && !isCourse(props.step) && props.step.recipe && props.step.rung === 'spray',
)
const bench = computed(() => ({
  name: 'bench',
  query: {
    planting: props.ladder.plantingId,
    target: props.ladder.target ?? undefined,
    recipe: props.step.recipe ?? undefined,
    step: props.step.dose ?? undefined,
    patch: props.step.code === 'patch-test' ? 'true' : undefined,
  },
}))
</script>

<template>
  <li class="step" :class="step.choice">
    <RungMark :choice="step.choice" :taken="!!step.taken" />
    <div class="text">
      <p>
        <strong>{{ step.name }}</strong> <span v-if="when" class="soft">{{ when }}</span>
        <span v-if="step.taken" class="taken">{{
          step.takenState === 'done' ? tell('decide.done') : tell('decide.takenOn')
        }}</span>
      </p>
      <p class="soft"><PlainWords :text="step.why[0]?.sentence ?? ''" /></p>
      <p v-if="step.course && step.choice !== 'passedOver'" class="soft">{{ step.course.reason }}</p>
      <details v-if="step.how || step.why.length > 1">
        <summary>{{ tell('decide.howAndWhy') }}</summary>
        <p v-if="step.how">{{ step.how }}</p>
        <ul>
          <li v-for="why in step.why.slice(1)" :key="why.sentence"><PlainWords :text="why.sentence" /></li>
        </ul>
      </details>
    </div>
    <div v-if="step.choice !== 'passedOver' && !step.taken" class="answers">
      <Button
        v-if="running"
        :label="tell('board.mixIt')"
        :aria-label="tell('decide.mixIt', { step: step.name, where: ladder.where })"
        @click="router.push(bench)"
      />
      <Button
        v-else
        :label="isCourse(step) ? tell('decide.beginIt') : tell('decide.takeIt')"
        :variant="step.choice === 'do' ? 'outlined' : 'text'"
        :disabled="busy"
        :aria-label="tell('decide.takeOn', { step: step.name, where: ladder.where })"
        @click="$emit('accept')"
      />
      <Button
        v-if="step.choice === 'do'"
        :label="tell('decide.pass')"
        variant="text"
        :disabled="busy"
        :aria-label="tell('decide.passBy', { step: step.name, where: ladder.where })"
        @click="$emit('pass')"
      />
    </div>
  </li>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr) auto;
  gap: 4px 12px;
  align-items: start;
  padding: 8px 0;
}

.passedOver {
  font-size: 0.95rem;
}

.taken {
  margin-left: 6px;
  padding: 0 8px;
  border: 1px solid var(--leaf-line);
  border-radius: var(--radius);
  background: var(--leaf-soft);
  color: var(--leaf-ink);
}

strong + .soft {
  margin-left: 4px;
}

summary {
  padding: 4px 0;
  color: var(--mauve-deep);
}

details {
  font-size: 0.95rem;
}

.answers {
  display: flex;
  gap: 4px;
}

@media (max-width: 640px) {
  .step {
    grid-template-columns: 44px minmax(0, 1fr);
  }

  .answers {
    grid-column: 2;
  }
}
</style>
