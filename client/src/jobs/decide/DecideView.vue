<script setup lang="ts">
import { tell } from '@/language'
import { useMediaQuery } from '@vueuse/core'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import AsyncState from '@/kit/AsyncState.vue'
import PrintButton from '@/kit/PrintButton.vue'
import FieldError from '@/kit/FieldError.vue'
import CourseList from './CourseList.vue'
import TaskList from './TaskList.vue'
import TroublePanel from './TroublePanel.vue'
import TroubleRow from './TroubleRow.vue'
import { isLeaving, open, useDecide, type Ladder } from './useDecide'

/** What to do about what was found: the troubles by urgency, and beside them the one in hand. */
const route = useRoute()
const router = useRouter()
const planting = computed(() => (typeof route.query.planting === 'string' ? route.query.planting : undefined))
const { query, take, acceptMany, passMany, takeWay } = useDecide(planting)
const { data, isPending, error, refetch } = query
const ladders = computed(() => data.value?.ladders ?? [])
const narrow = useMediaQuery('(max-width: 900px)')
/** On a phone one trouble at a time, once it was opened; beside the list there is always one. */
const inHand = computed(
  () =>
    ladders.value.find((l) => l.observationId === route.query.trouble) ??
    (narrow.value && ladders.value.length > 1 ? undefined : ladders.value[0]),
)
/** What is left alone on purpose is folded away. */
const isCalm = (l: Ladder) =>
  l.ways.some((w) => w.proposed && isLeaving(w)) &&
  l.steps.every((s) => s.choice !== 'do' || s.rung === 'look')
const urgent = computed(() => ladders.value.filter((l) => !isCalm(l)))
const calm = computed(() => ladders.value.filter(isCalm))
const choose = (trouble?: string) => router.push({ query: { ...route.query, trouble } })
const waiting = computed(() => ladders.value.filter((l) => open(l).length > 0))
const deeds = [take, acceptMany, passMany, takeWay]
const busy = computed(() => deeds.some((d) => d.isPending.value))
const problem = computed(() => deeds.map((d) => d.error.value).find((e) => e) ?? null)
const all = (of: Ladder[]) => of.flatMap((ladder) => open(ladder).map((step) => ({ ladder, step })))
</script>

<template>
  <div class="page wide paper">
    <div class="page-head">
      <h1>{{ tell('board.decide') }}</h1>
      <p v-if="data && ladders.length" class="soft" role="status">
        {{
          waiting.length === 0
            ? tell('decide.everythingIsAnswered')
            : waiting.length === 1
              ? tell('decide.oneTroubleWaitsForAnAnswer')
              : tell('decide.troublesWaitForAnAnswer', { waiting: waiting.length })
        }}
        <RouterLink v-if="planting" :to="{ name: 'decide' }">{{
          tell('decide.everythingThatWasFound')
        }}</RouterLink>
      </p>
      <PrintButton
        v-if="data && ladders.length"
        :label="tell('decide.printWhatWasDecided')"
        size="small"
        variant="text"
      />
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <div v-else class="columns" :class="{ one: ladders.length < 2 }">
      <div v-if="!narrow || !inHand || ladders.length === 1" class="list">
        <p v-for="sentence in data.uncounted" :key="sentence" class="note caution">{{ sentence }}</p>
        <div v-if="ladders.length === 0" class="note">
          <p>{{ tell('decide.nothingToDecideTheLastLooks') }}</p>
          <div class="actions">
            <Button
              :label="tell('decide.startAWalk')"
              variant="outlined"
              @click="router.push({ name: 'walk' })"
            />
          </div>
        </div>
        <nav v-if="ladders.length > 1" :aria-label="tell('decide.troubles')">
          <TroubleRow
            v-for="ladder in urgent"
            :key="ladder.observationId"
            :ladder="ladder"
            :chosen="ladder === inHand"
            @choose="choose(ladder.observationId)"
          />
          <details v-if="calm.length" :open="urgent.length === 0 || calm.some((l) => l === inHand)">
            <summary>{{ tell('decide.toLeaveAloneAndLookAgain', { calm: calm.length }) }}</summary>
            <div class="calm">
              <TroubleRow
                v-for="ladder in calm"
                :key="ladder.observationId"
                :ladder="ladder"
                :chosen="ladder === inHand"
                @choose="choose(ladder.observationId)"
              />
            </div>
          </details>
        </nav>
        <Button
          v-if="waiting.length > 1"
          :label="tell('decide.takeOnAllThatIsProposed')"
          variant="outlined"
          fluid
          :loading="busy"
          @click="acceptMany.mutate(all(ladders))"
        />
      </div>
      <div class="hand">
        <Button
          v-if="narrow && inHand && ladders.length > 1"
          :label="tell('decide.allTroubles')"
          variant="text"
          @click="choose()"
        />
        <FieldError :problem="problem" />
        <TroublePanel
          v-if="inHand"
          :key="inHand.observationId"
          :ladder="inHand"
          :busy="busy"
          @accept="(step) => acceptMany.mutate([{ ladder: inHand!, step }])"
          @pass="(step) => take.mutate({ ladder: inHand!, step, pass: true })"
          @accept-all="acceptMany.mutate(all([inHand]))"
          @pass-all="passMany.mutate({ ladder: inHand, steps: open(inHand) })"
          @take="(way) => takeWay.mutate({ ladder: inHand!, way })"
        />
        <div v-if="!narrow || !inHand" class="taken">
          <CourseList :courses="data.courses" />
          <TaskList :tasks="data.tasks" />
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 390px minmax(0, 1fr);
  gap: 18px;
  align-items: start;
}

.list,
.hand,
.calm,
nav {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}

.taken {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 10px;
  align-items: start;
}

summary {
  min-height: 44px;
  padding: 10px 4px;
  color: var(--mauve-deep);
}

.columns.one {
  grid-template-columns: minmax(0, 1fr);
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
