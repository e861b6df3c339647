<script setup lang="ts">
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import CurveChart from '@/drawings/CurveChart.vue'
import { useGarden } from '@/garden/useGarden'
import { antsWords, counted, stanceWords } from '@/garden/words'
import { civilDay, day, inSentence } from '@/kit/format'
import LadderStep from './LadderStep.vue'
import { open, type Ladder, type Step, type Way } from './useDecide'
import WayTable from './WayTable.vue'

/** The trouble in hand: what is proposed, drawn against leaving it alone, and everything else that may be done. */
const props = defineProps<{ ladder: Ladder; busy: boolean }>()
defineEmits<{
  accept: [step: Step]
  pass: [step: Step]
  acceptAll: []
  passAll: []
  take: [way: Way]
}>()
const router = useRouter()
const { garden, today } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const proposed = computed(() => open(props.ladder))
const todo = computed(() =>
  props.ladder.steps
    .filter((s) => s.choice === 'do')
    .sort((a, b) => ((a.on ?? today.value) < (b.on ?? today.value) ? -1 : 1)),
)
const when = (s: Step) => (!s.on || s.on <= today.value ? tell('decide.today') : civilDay(s.on))

/** The way that is drawn beside leaving it alone. */
const drawn = ref('')
const best = computed(() => props.ladder.ways.find((w) => w.proposed)?.id ?? 'nothing')
watch(
  () => props.ladder.observationId,
  () => (drawn.value = best.value),
  { immediate: true },
)
const curves = computed(() =>
  [...new Set(['nothing', best.value, drawn.value])].flatMap(
    (id) => props.ladder.drawn.find((d) => d.id === id) ?? [],
  ),
)
const names = computed(() =>
  curves.value.map((c) =>
    c.id === 'nothing'
      ? tell('decide.leftAlone')
      : c.id === best.value
        ? tell('decide.proposed')
        : tell('decide.thisWay'),
  ),
)
const chosenCurve = computed(() =>
  Math.max(
    0,
    curves.value.findIndex((c) => c.id === drawn.value),
  ),
)
const running = computed(() =>
  props.ladder.steps.find((s) => s.choice === 'do' && s.rung === 'spray' && !s.course),
)
</script>

<template>
  <article class="card trouble">
    <header>
      <h2>{{ ladder.where }}: {{ ladder.name }}</h2>
      <p class="soft">
        {{
          remarked(
            tell('decide.countOn', {
              count: counted(ladder, ladder.byPlant),
              at: day(ladder.at, zone),
              stanceWords: inSentence(stanceWords[ladder.stance]),
            }),
            ladder.helpers && tell('decide.helpers', { helpers: ladder.helpers }),
            ladder.ants !== 'none' &&
              ladder.ants !== 'unsaid' &&
              tell('decide.ants', { antsWords: antsWords[ladder.ants] }),
          )
        }}
      </p>
      <p class="answer">{{ ladder.answer }}</p>
    </header>
    <ol v-if="todo.length" class="todo">
      <li v-for="step in todo" :key="step.code + step.name">
        <strong>{{ when(step) }}: {{ step.name }}.</strong>
        {{ step.prune?.sentence ?? step.course?.reason ?? step.how ?? step.why[0]?.sentence }}
        <span v-if="step.taken" class="taken">{{
          step.takenState === 'done' ? tell('decide.done') : tell('decide.takenOn')
        }}</span>
      </li>
    </ol>
    <section v-if="ladder.withoutHour.length" class="note caution" aria-labelledby="without-hour">
      <h3 id="without-hour">{{ tell('decide.whatIsLeftWhileNoHour') }}</h3>
      <ul class="left">
        <li v-for="way in ladder.withoutHour" :key="way.code" :class="{ soft: !way.open }">
          {{ way.words }}
        </li>
      </ul>
    </section>
    <div class="actions deed-at-hand">
      <Button
        v-if="proposed.length"
        :label="tell('decide.doThis')"
        size="large"
        :aria-label="tell('decide.doThis2', { where: ladder.where, ladder: ladder.name })"
        :loading="busy"
        @click="$emit('acceptAll')"
      />
      <Button
        v-if="proposed.length"
        :label="tell('beds.notNow')"
        size="large"
        variant="outlined"
        :aria-label="tell('decide.notNow', { where: ladder.where, ladder: ladder.name })"
        :disabled="busy"
        @click="$emit('passAll')"
      />
      <Button
        v-if="running?.recipe"
        :label="tell('board.mixIt')"
        size="large"
        :aria-label="tell('decide.mixIt2', { running: running.name, where: ladder.where })"
        @click="
          router.push({
            name: 'bench',
            query: {
              planting: ladder.plantingId,
              target: ladder.target ?? undefined,
              recipe: running.recipe,
              patch: running.code === 'patch-test' ? 'true' : undefined,
            },
          })
        "
      />
      <Button
        v-if="ladder.target === null || ladder.isGroup"
        :label="tell('decide.findOutWhat')"
        size="large"
        variant="outlined"
        :aria-label="tell('decide.findOutWhat2', { where: ladder.where })"
        @click="router.push({ name: 'suspects', params: { observationId: ladder.observationId } })"
      />
      <Button
        :label="tell('board.countAgain')"
        size="large"
        variant="text"
        :aria-label="tell('decide.countAgain', { where: ladder.where })"
        @click="router.push({ name: 'count', params: { plantingId: ladder.plantingId } })"
      />
    </div>
    <template v-if="curves.length > 1">
      <CurveChart
        :curves="curves"
        :names="names"
        :chosen="chosenCurve"
        :from="today"
        :action-line="ladder.line"
        low
      />
      <p class="soft small">
        {{ tell('decide.shareAffectedTheShadeHolds') }}
      </p>
    </template>
    <WayTable
      v-if="ladder.ways.some((w) => w.share || w.sprays)"
      :ladder="ladder"
      :drawn="drawn"
      :busy="busy"
      @draw="drawn = $event"
      @take="$emit('take', $event)"
    />
    <details>
      <summary>{{ tell('decide.everyStepAndWhy') }}</summary>
      <p class="small soft">{{ ladder.lineReason }}</p>
      <ol>
        <LadderStep
          v-for="step in ladder.steps"
          :key="step.code + step.name"
          :ladder="ladder"
          :step="step"
          :busy="busy"
          @accept="$emit('accept', step)"
          @pass="$emit('pass', step)"
        />
      </ol>
      <div class="actions">
        <Button
          v-if="ladder.canPlay"
          :label="tell('decide.whatIf')"
          variant="outlined"
          :aria-label="tell('decide.whatIf2', { ladder: ladder.name, where: ladder.where })"
          @click="
            router.push({ name: 'what-if', query: { planting: ladder.plantingId, target: ladder.target } })
          "
        />
      </div>
    </details>
  </article>
</template>

<style scoped>
.trouble {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}

.answer {
  margin-top: 6px;
  font-size: 1.1rem;
}

.todo {
  display: grid;
  gap: 6px;
  counter-reset: step;
}

.todo li {
  padding-left: 30px;
  counter-increment: step;
}

.todo li::before {
  content: counter(step);
  display: inline-block;
  width: 22px;
  margin-left: -30px;
  margin-right: 8px;
  border: 1px solid var(--mauve);
  border-radius: 50%;
  text-align: center;
  font-size: 0.875rem;
}

.left {
  display: grid;
  gap: 4px;
  margin-top: 4px;
}

.taken {
  margin-left: 6px;
  padding: 0 8px;
  border: 1px solid var(--leaf-line);
  border-radius: var(--radius);
  background: var(--leaf-soft);
  color: var(--leaf-ink);
}

summary {
  min-height: 44px;
  padding: 10px 0;
  color: var(--mauve-deep);
}
</style>
