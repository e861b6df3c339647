<script setup lang="ts">
import Button from 'primevue/button'
import SelectButton from 'primevue/selectbutton'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { Schemas } from '@/api/client'
import { useGarden } from '@/garden/useGarden'
import { injurySignWords, injuryWords, options, outcomeWords } from '@/garden/words'
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
const check = useCheckBack(props.checkBackId)
const { visit, isPending, error, look, injury, signs, touched, onlyDead, saving, problem, kept } = check
const { draft, looked, affected } = look
const living = computed(() => affected.value[0] ?? 0)
const sample = useSample(() => visit.value?.plantingId ?? '', looked, living)
/** What a leaf can be: only what lives counts. */
const leafNames = computed(() =>
  !visit.value?.target
    ? (['Clean', 'It goes on', 'Only old'] as const)
    : visit.value.insects
      ? (['Clean', 'They move', 'Only dead'] as const)
      : (['Clean', 'New spots', 'Old spots only'] as const),
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
        <h1>Check back: {{ visit.where }}</h1>
        <p class="soft">
          {{ visit.what
          }}<template v-if="visit.targetName"> against {{ inSentence(visit.targetName) }}</template
          >,
          {{ dayAndClock(visit.doneWhatAt, zone) }}
        </p>
      </div>
      <div v-if="kept" class="note good stack" role="status">
        <p>Kept on this device. The verdict comes when the network is back.</p>
        <Button label="To the check-backs" size="large" @click="router.push({ name: 'check-backs' })" />
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
              ? `${visit.what} may go on all of it now.`
              : `It burnt. Try two leaves again a step lower, or take another material.`
          }}
        </p>
        <template v-else>
          <p>Look at the two leaves, top and underside: scorch, curl, dull spots, dropped leaves.</p>
          <div class="row">
            <span id="patch-injury" class="label">Did it hurt them?</span>
            <SelectButton
              v-model="injury"
              :options="options(injuryWords)"
              option-label="label"
              option-value="value"
              :allow-empty="false"
              aria-labelledby="patch-injury"
            />
          </div>
          <div v-if="injury && injury !== 'none'" class="row">
            <span id="patch-signs" class="label">How?</span>
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
          <p v-if="!injury" class="soft">Say whether it hurt them, then judge.</p>
          <Button
            label="Judge the two leaves"
            size="large"
            :disabled="!injury"
            :loading="saving"
            @click="check.judgePatch"
          />
        </template>
        <Button v-if="visit.doneAt" label="To the Board" size="large" @click="router.push('/')" />
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
            <p v-if="visit.injury !== 'none'">
              Injury to the plant: {{ injuryWords[visit.injury].toLowerCase()
              }}<template v-if="visit.injurySigns.length"
                >, {{ visit.injurySigns.map((i) => injurySignWords[i].toLowerCase()).join(', ') }}</template
              >.
            </p>
            <p v-if="visit.onlyDead">
              {{ visit.onlyDead }} {{ visit.onlyDead === 1 ? 'leaf' : 'leaves' }} with
              {{ visit.insects ? 'dead ones' : 'old spots' }} alone.
            </p>
            <p v-if="visit.alive !== null || visit.dead !== null">
              Touched: {{ visit.dead ?? 0 }} dead, {{ visit.alive ?? 0 }} living.
            </p>
            <p v-if="visit.course"><strong>The course:</strong> {{ visit.course }}</p>
            <p v-if="visit.discountedFor">
              Set aside, so the garden does not learn from it: {{ visit.discountedFor }}.
            </p>
          </section>
          <div class="actions">
            <Button label="To the Board" size="large" @click="router.push('/')" />
            <Button
              v-if="visit.outcome === 'losing' || visit.outcome === 'holding'"
              label="Mix the next round"
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
            <h2 id="since">Counted since</h2>
            <p>
              {{ visit.countedSince.count.leavesAffected }} of
              {{ visit.countedSince.count.leavesLooked }} leaves on
              {{ dayAndClock(visit.countedSince.count.at, zone) }}. Say below whether the spray hurt the
              plant, and that count can judge it.
            </p>
            <Button
              label="Judge by that count"
              :disabled="!injury"
              :loading="saving"
              @click="check.judgeByCount(visit.countedSince.observationId)"
            />
          </section>
          <p>
            {{
              visit.insects
                ? 'Touch them: what moves is alive. Look at new growth too.'
                : 'Old spots stay. Count as new what has spots it did not have, and look at new leaves.'
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
            <span id="injury" class="label">Did the spray hurt the plant?</span>
            <SelectButton
              v-model="injury"
              :options="options(injuryWords)"
              option-label="label"
              option-value="value"
              :allow-empty="false"
              aria-labelledby="injury"
            />
          </div>
          <div v-if="injury && injury !== 'none'" class="row">
            <span id="injury-signs" class="label">How?</span>
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
            <p>Touch a few with a straw. What moves is alive.</p>
            <NumberStepper v-model="touched.dead" label="Dead" />
            <NumberStepper v-model="touched.alive" label="Living" />
          </div>
          <FieldNotes v-model="draft" />
          <FieldError :problem="problem" :shown="['leavesLooked', 'certain']" />
          <div v-if="asksBack" class="note caution stack" role="alert">
            <p>{{ asksBack }}</p>
            <div class="actions">
              <Button
                v-if="living > 0"
                label="Those are dead too"
                @click="(check.livingAreDead(), check.judge())"
              />
              <Button label="Both are right" variant="outlined" @click="check.judge(true)" />
              <Button v-if="living === 0" label="Count on" variant="text" @click="problem = null" />
            </div>
          </div>
          <div v-else class="actions">
            <Button label="Judge this spray" size="large" :loading="saving" @click="check.judge()" />
            <Button
              v-if="visit.canHose && looked === 0"
              label="Can't tell: hose them off, count in two days"
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
