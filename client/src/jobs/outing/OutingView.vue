<script setup lang="ts">
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Schemas } from '@/api/client'
import { useGarden } from '@/garden/useGarden'
import { stepWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import PrintButton from '@/kit/PrintButton.vue'
import FieldError from '@/kit/FieldError.vue'
import { civilDay, clock, inSentence } from '@/kit/format'
import { told } from '@/kit/household'
import { useAwake } from '@/kit/useAwake'
import LeftoverBottles from '../bench/LeftoverBottles.vue'
import { useRota } from '../rota/useRota'
import ShakeClock from './ShakeClock.vue'
import { useOuting } from './useOuting'

/** One visit, step by step at the bed: what goes first, what is mixed, where it goes, what was really used. */
const props = defineProps<{ outingKey: string }>()
const router = useRouter()
useAwake()
const { garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const { data, isPending, error, refetch } = useRota()
const outing = computed(() => data.value?.outings.find((o) => o.key === props.outingKey))
const { progress, tank, toggle, done, log, saving, problem } = useOuting(() => outing.value, props.outingKey)
/** As planned until somebody says what it really was. */
const usedOf = (t: Schemas['PlannedTankAnswer']) => {
  const { used } = tank(t)
  return used === undefined ? t.amount : told('volume', used)
}
const logged = ref<{ sent: boolean }>()
const title = ref('')
const all = computed(() => outing.value?.tanks.flatMap((t) => t.rounds) ?? [])

async function finish() {
  title.value = outing.value?.title ?? ''
  logged.value = (await log()) ?? undefined
}
function use(t: Parameters<typeof tank>[0], by: number) {
  const now = tank(t).used ?? t.litres
  tank(t).used = Math.max(0.1, Math.round((now + by) * 10) / 10)
}
</script>

<template>
  <div class="page narrow paper">
    <div v-if="logged" class="note good" role="status">
      <h1>{{ tell('outing.logged') }}</h1>
      <p>{{ title }}</p>
      <p>
        {{ logged.sent ? tell('outing.itsCheckBacksAreSet') : tell('outing.itIsKeptOnThisDevice') }}
      </p>
      <div class="actions">
        <Button :label="tell('checkback.toTheBoard')" @click="router.push('/')" />
      </div>
    </div>
    <AsyncState v-else-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <div v-else-if="!outing" class="note">
      <p>{{ tell('outing.thisOutingIsNot') }}</p>
      <RouterLink :to="{ name: 'rota' }">{{ tell('outing.seeTheRota') }}</RouterLink>
    </div>
    <template v-else>
      <div class="page-head">
        <h1>{{ outing.title }}</h1>
        <p class="soft">
          {{
            remarked(
              tell('outing.fromTo', {
                from: clock(outing.hours.from, zone),
                to: clock(outing.hours.to, zone),
              }),
              !outing.hours.known && tell('outing.asTheWeatherAllows'),
            )
          }}
        </p>
      </div>
      <p v-if="data.from !== outing.on" class="note caution">
        {{ tell('outing.thisIsPlannedForWhatYou', { on: civilDay(outing.on) }) }}
      </p>
      <LeftoverBottles class="no-print" />
      <section v-if="outing.tasks.length" class="card" aria-labelledby="first-head">
        <h2 id="first-head">{{ tell('outing.first') }}</h2>
        <ul>
          <li v-for="task in outing.tasks" :key="task.id">
            <label class="tick"
              ><input
                type="checkbox"
                :checked="progress.tasks.includes(task.id)"
                @change="toggle('tasks', task.id)"
              />
              <span
                ><strong>{{ task.name }}</strong
                >, {{ task.where }} <span class="soft">{{ task.how }}</span></span
              ></label
            >
          </li>
        </ul>
      </section>
      <section
        v-for="(t, i) in outing.tanks"
        :key="t.recipe + t.step"
        class="card"
        :aria-labelledby="`tank-${i}`"
      >
        <h2 :id="`tank-${i}`">{{ t.recipeName }}</h2>
        <p>
          <strong class="amount">{{ t.amount }}</strong>
          <span class="soft">
            {{
              remarked(
                tell('ledger.dose', { stepWords: stepWords[t.step] }),
                t.fillings > 1 && tell('outing.inEqualFillings', { fillings: t.fillings }),
              )
            }}
          </span>
        </p>
        <RouterLink
          class="no-print"
          :to="{
            name: 'mix-card',
            query: {
              planting: t.rounds.map((r) => r.plantingId),
              target: t.rounds[0]?.target,
              recipe: t.recipe,
              step: t.step,
            },
          }"
          >{{ tell('outing.howToMix') }}</RouterLink
        >
        <label class="tick"
          ><input v-model="tank(t).mixed" type="checkbox" />
          <span>{{ tell('outing.mixedAndLabelled') }}</span></label
        >
        <p class="soft">{{ t.shake }}</p>
        <ShakeClock class="no-print" />
        <ol>
          <li v-for="r in t.rounds" :key="r.key">
            <label class="tick"
              ><input
                type="checkbox"
                :checked="progress.sprayed.includes(r.key)"
                @change="toggle('sprayed', r.key)"
              />
              <span
                ><strong>{{ r.where }}</strong> {{ r.amount }}
                <span class="soft">{{
                  tell('outing.fromRoundOfUndersidesFirst', {
                    from: clock(r.hours.from, zone),
                    targetName: inSentence(r.targetName),
                    round: r.round,
                    rounds: r.rounds,
                  })
                }}</span></span
              ></label
            >
          </li>
        </ol>
        <div class="used" role="group" :aria-label="tell('outing.reallyUsed', { recipeName: t.recipeName })">
          <span>{{ tell('outing.reallyUsed2') }}</span>
          <button :aria-label="tell('outing.less', { recipeName: t.recipeName })" @click="use(t, -0.1)">
            −
          </button>
          <output>{{ usedOf(t) }}</output>
          <button :aria-label="tell('outing.more', { recipeName: t.recipeName })" @click="use(t, 0.1)">
            +
          </button>
        </div>
      </section>
      <div class="field no-print">
        <label for="outing-note">{{ tell('outing.noteIfThereIsOne') }}</label>
        <Textarea id="outing-note" v-model="progress.note" rows="2" auto-resize fluid />
      </div>
      <FieldError :problem="problem" />
      <div class="actions no-print">
        <Button
          :label="
            done.length === 0 && progress.tasks.length === 0
              ? tell('outing.tickOffWhatIsDone')
              : tell('outing.logThisOutingOfSprayed', { sprayed: progress.sprayed.length, all: all.length })
          "
          size="large"
          :disabled="done.length === 0 && progress.tasks.length === 0"
          :loading="saving"
          @click="finish"
        />
        <PrintButton variant="outlined" />
      </div>
    </template>
  </div>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}

.tick {
  display: grid;
  grid-template-columns: 32px 1fr;
  gap: 8px;
  align-items: center;
  min-height: 52px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}

.tick input {
  width: 28px;
  height: 28px;
  accent-color: var(--mauve);
}

.tick .soft {
  display: block;
}

.amount {
  margin-right: 8px;
  font: 700 1.5rem var(--heading);
}

.used {
  display: flex;
  gap: 8px;
  align-items: center;
}

.used span {
  flex: 1;
  font-weight: 600;
}

.used output {
  min-width: 5em;
  text-align: center;
  font-weight: 700;
}

.used button {
  width: 52px;
  height: 52px;
  border: 1px solid var(--mauve);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font-size: 1.3rem;
}
</style>
