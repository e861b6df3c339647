<script setup lang="ts">
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import SelectButton from 'primevue/selectbutton'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { Schemas } from '@/api/client'
import { useGarden } from '@/garden/useGarden'
import { counted, injurySignWords, injuryWords, isHurt, options, outcomeWords } from '@/garden/words'
import NumberStepper from '@/kit/NumberStepper.vue'
import RangeBar from '@/drawings/RangeBar.vue'
import AsyncState from '@/kit/AsyncState.vue'
import CountPad from '@/kit/CountPad.vue'
import FieldError from '@/kit/FieldError.vue'
import ShareMeter from '@/kit/ShareMeter.vue'
import { dayAndClock, inSentence } from '@/kit/format'
import FieldNotes from '../walk/FieldNotes.vue'
import { useSample } from '../walk/useSample'
import { useCheckBack } from './useCheckBack'

const props = defineProps<{ checkBackId: string }>()
const router = useRouter()
const { garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
/** What may be said of it: that nobody said it is no answer. */
const degrees = options(injuryWords).filter((o) => o.value !== 'unsaid')
const check = useCheckBack(props.checkBackId)
const { visit, isPending, error, look, injury, signs, touched, onlyDead, saving, problem, kept } = check
const { draft, looked, affected } = look
const living = computed(() => affected.value[0] ?? 0)
const sample = useSample(
  () => visit.value?.plantingId ?? '',
  looked,
  living,
  undefined,
  () => ({ on: draft.value.on }),
)
/** What a leaf can be: only what lives counts. */
const leafNames = computed(() =>
  !visit.value?.target
    ? ([tell('checkback.clean'), tell('checkback.itGoes'), tell('checkback.onlyOld')] as const)
    : visit.value.insects
      ? ([tell('checkback.clean'), tell('checkback.theyMove'), tell('checkback.onlyDead')] as const)
      : ([tell('checkback.clean'), tell('checkback.newSpots'), tell('checkback.oldSpotsOnly')] as const),
)
const asksBack = computed(() => problem.value?.fields['certain'])
async function hose() {
  if (await check.hose()) await router.push('/')
}
/** Before and after on one scale, with their likely ranges and the action line. */
const counts = computed(() => {
  const of = (c: Schemas['CountAnswer'], name: string, tone: 'before' | 'now') => ({
    name,
    tone,
    value: (c.leavesAffected / c.leavesLooked) * 100,
    low: c.low * 100,
    high: c.high * 100,
  })
  const v = visit.value
  return [
    ...(v?.before ? [of(v.before, 'before', 'before')] : []),
    ...(v?.after ? [of(v.after, 'now', 'now')] : []),
  ]
})
const scale = computed(() =>
  Math.min(100, Math.max(20, ...counts.value.map((c) => c.high), (visit.value?.line ?? 0) * 150)),
)
const tone = { cleared: 'good', holding: 'good', losing: 'caution', lost: 'stop' } as const
</script>

<template>
  <div class="page narrow">
    <AsyncState v-if="!visit" :pending="isPending" :error="error" />
    <template v-else>
      <div class="page-head">
        <h1>{{ tell('checkback.checkBack2', { where: visit.where }) }}</h1>
        <p class="soft">
          {{
            remarked(
              visit.what,
              visit.targetName && tell('bench.against', { targetName: inSentence(visit.targetName) }),
              dayAndClock(visit.doneWhatAt, zone),
            )
          }}
        </p>
      </div>
      <div v-if="kept" class="note good stack" role="status">
        <p>{{ tell('checkback.keptOnThisDeviceTheVerdict') }}</p>
        <Button
          :label="tell('checkback.toTheCheckBacks')"
          size="large"
          @click="router.push({ name: 'check-backs' })"
        />
      </div>
      <template v-else-if="visit.patchTest">
        <p
          v-if="visit.doneAt"
          class="note"
          :class="visit.injury === 'none' || visit.injury === 'slight' ? 'good' : 'stop'"
          role="status"
        >
          {{
            visit.injury === 'none' || visit.injury === 'slight'
              ? tell('checkback.mayGoOnAll', { what: visit.what })
              : tell('checkback.itBurntTryTwoLeavesAgain')
          }}
        </p>
        <template v-else>
          <p>{{ tell('checkback.lookAtTheTwoLeavesTop') }}</p>
          <div class="row">
            <span id="patch-injury" class="label">{{ tell('checkback.didItHurtThem') }}</span>
            <SelectButton
              v-model="injury"
              :options="degrees"
              option-label="label"
              option-value="value"
              :allow-empty="false"
              aria-labelledby="patch-injury"
            />
          </div>
          <div v-if="injury && isHurt(injury)" class="row">
            <span id="patch-signs" class="label">{{ tell('checkback.how') }}</span>
            <SelectButton
              v-model="signs"
              multiple
              :options="options(injurySignWords)"
              option-label="label"
              option-value="value"
              aria-labelledby="patch-signs"
            />
          </div>
          <FieldError :problem="problem" />
          <p v-if="!injury" class="soft">{{ tell('checkback.sayWhetherItHurtThemThen') }}</p>
          <Button
            :label="tell('checkback.judgeTheTwoLeaves')"
            size="large"
            :disabled="!injury"
            :loading="saving"
            @click="check.judgePatch"
          />
        </template>
        <Button
          v-if="visit.doneAt"
          :label="tell('checkback.toTheBoard')"
          size="large"
          @click="router.push('/')"
        />
      </template>
      <template v-else>
        <RangeBar
          v-if="counts.length"
          :estimates="counts"
          :to="scale"
          :mark="visit.line * 100"
          mark-name="line"
        />
        <p v-if="!visit.doneAt" class="note">{{ visit.sameLeaves }}</p>

        <template v-if="visit.doneAt">
          <section v-if="visit.outcome" class="note verdict" :class="tone[visit.outcome]" role="status">
            <h2>{{ outcomeWords[visit.outcome] }}</h2>
            <p>{{ visit.sentence }}</p>
            <p v-if="isHurt(visit.injury)">
              {{ tell('checkback.injuryToThePlant', { injuryWords: inSentence(injuryWords[visit.injury]) })
              }}<template v-if="visit.injurySigns.length"
                >, {{ visit.injurySigns.map((i) => inSentence(injurySignWords[i])).join(', ') }}</template
              >.
            </p>
            <p v-if="visit.onlyDead">
              {{
                visit.insects
                  ? tell('checkback.onlyDeadOn', { onlyDead: visit.onlyDead })
                  : tell('checkback.onlyOldSpotsOn', { onlyDead: visit.onlyDead })
              }}
            </p>
            <p v-if="visit.alive !== null || visit.dead !== null">
              {{ tell('checkback.touchedDeadLiving', { dead: visit.dead ?? 0, alive: visit.alive ?? 0 }) }}
            </p>
            <p v-if="visit.course">
              <strong>{{ tell('checkback.theCourse') }}</strong> {{ visit.course }}
            </p>
            <p v-if="visit.discountedFor">
              {{ tell('checkback.setAsideSoTheGardenDoes', { discountedFor: visit.discountedFor }) }}
            </p>
          </section>
          <div class="actions">
            <Button :label="tell('checkback.toTheBoard')" size="large" @click="router.push('/')" />
            <Button
              v-if="visit.outcome === 'losing' || visit.outcome === 'holding'"
              :label="tell('checkback.mixTheNextRound')"
              variant="outlined"
              @click="
                router.push({
                  name: 'bench',
                  query: { planting: visit.plantingId, ...(visit.target && { target: visit.target }) },
                })
              "
            />
          </div>
        </template>

        <template v-else>
          <section v-if="visit.countedSince && looked === 0" class="note stack" aria-labelledby="since">
            <h2 id="since">{{ tell('checkback.countedSince') }}</h2>
            <p>
              {{
                tell('checkback.countOnSayBelowWhether', {
                  count: counted(visit.countedSince.count),
                  dayAndClock: dayAndClock(visit.countedSince.count.at, zone),
                })
              }}
            </p>
            <Button
              :label="tell('checkback.judgeByThatCount')"
              :disabled="!injury"
              :loading="saving"
              @click="check.judgeByCount(visit.countedSince.observationId)"
            />
          </section>
          <p>
            {{
              visit.insects
                ? tell('checkback.touchThemWhatMovesIsAlive')
                : tell('checkback.oldSpotsStayCountAsNew')
            }}
          </p>
          <CountPad
            :clean="looked - living - onlyDead"
            :affected="[living, onlyDead]"
            :names="leafNames"
            second-is-mild
            :can-undo="looked > 0"
            @count="look.add"
            @back="look.back"
          />
          <FieldError :problem="problem" field="leavesLooked" />
          <ShareMeter v-if="sample" :sample="sample" />
          <div class="row">
            <span id="injury" class="label">{{ tell('checkback.didTheSprayHurtThePlant') }}</span>
            <SelectButton
              v-model="injury"
              :options="degrees"
              option-label="label"
              option-value="value"
              :allow-empty="false"
              aria-labelledby="injury"
            />
          </div>
          <div v-if="injury && isHurt(injury)" class="row">
            <span id="injury-signs" class="label">{{ tell('checkback.how') }}</span>
            <SelectButton
              v-model="signs"
              multiple
              :options="options(injurySignWords)"
              option-label="label"
              option-value="value"
              aria-labelledby="injury-signs"
            />
          </div>
          <div v-if="visit.insects" class="touched">
            <p>{{ tell('checkback.touchAFewWithAStraw') }}</p>
            <NumberStepper v-model="touched.dead" :label="tell('checkback.dead')" />
            <NumberStepper v-model="touched.alive" :label="tell('checkback.living')" />
          </div>
          <FieldNotes v-model="draft" />
          <FieldError :problem="problem" :shown="['leavesLooked', 'certain']" />
          <div v-if="asksBack" class="note caution stack" role="alert">
            <p>{{ asksBack }}</p>
            <div class="actions">
              <Button
                v-if="living > 0"
                :label="tell('checkback.thoseAreDeadToo')"
                @click="(check.livingAreDead(), check.judge())"
              />
              <Button :label="tell('checkback.bothAreRight')" variant="outlined" @click="check.judge(true)" />
              <Button
                v-if="living === 0"
                :label="tell('checkback.countOn')"
                variant="text"
                @click="problem = null"
              />
            </div>
          </div>
          <div v-else class="actions">
            <Button
              :label="tell('checkback.judgeThisSpray')"
              size="large"
              :loading="saving"
              @click="check.judge()"
            />
            <Button
              v-if="visit.canHose && looked === 0"
              :label="tell('checkback.cantTellHoseThemOffCount')"
              variant="text"
              :loading="saving"
              @click="hose"
            />
          </div>
        </template>
      </template>
    </template>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
}

.label {
  font-weight: 600;
}

.stack {
  display: grid;
  gap: 10px;
  justify-items: start;
}

.touched {
  display: grid;
  gap: 8px;
}
</style>
