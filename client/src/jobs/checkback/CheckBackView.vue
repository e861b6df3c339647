<script setup lang="ts">
import Button from 'primevue/button'
import SelectButton from 'primevue/selectbutton'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'
import { injuryWords, options, outcomeWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import CountPad from '@/kit/CountPad.vue'
import FieldError from '@/kit/FieldError.vue'
import ShareMeter from '@/kit/ShareMeter.vue'
import { day, dayAndClock, percent } from '@/kit/format'
import FieldNotes from '../walk/FieldNotes.vue'
import { useLook } from '../walk/useLook'
import { useSample } from '../walk/useSample'

const props = defineProps<{ checkBackId: string }>()
const router = useRouter()
const { garden, memberId } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const {
  data: visit,
  isPending,
  error,
} = useGardenQuery(
  computed(() => ['check-back', props.checkBackId]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/check-backs/{checkBackId}', {
        params: { path: { gardenId, checkBackId: props.checkBackId } },
      }),
    ),
)
const look = useLook(`check-${props.checkBackId}`)
const { draft, looked, affected } = look
const living = computed(() => affected.value[0] ?? 0)
const sample = useSample(() => visit.value?.plantingId ?? '', looked, living)
const injury = ref<Schemas['Injury']>('none')
const saving = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/check-backs/{checkBackId}/count', {
      params: { path: { gardenId, checkBackId: props.checkBackId } },
      body: {
        count: look.toObservation(visit.value?.plantingId ?? '', memberId.value),
        injury: injury.value,
      },
    }),
  ),
)
const patching = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/check-backs/{checkBackId}/patch', {
      params: { path: { gardenId, checkBackId: props.checkBackId } },
      body: { injury: injury.value, memberId: memberId.value },
    }),
  ),
)
async function judge() {
  if (await saving.mutateAsync().catch(() => null)) look.clear()
}
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
          }}<template v-if="visit.targetName"> against {{ visit.targetName.toLowerCase() }}</template
          >,
          {{ dayAndClock(visit.doneWhatAt, zone) }}
        </p>
      </div>
      <template v-if="visit.patchTest">
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
          <FieldError :problem="patching.error.value" />
          <Button
            label="Judge the two leaves"
            size="large"
            :loading="patching.isPending.value"
            @click="patching.mutate()"
          />
        </template>
        <Button v-if="visit.doneAt" label="To the Board" size="large" @click="router.push('/')" />
      </template>
      <template v-else>
        <p v-if="visit.before" class="note">
          Before the spray: {{ visit.before.leavesAffected }} of {{ visit.before.leavesLooked }} leaves,
          {{ percent(visit.before.leavesAffected / visit.before.leavesLooked) }}, on
          {{ day(visit.before.at, zone) }}. Take the same leaves if you can.
        </p>
        <p v-else class="note">Nobody counted before this spray, so the action line decides.</p>

        <template v-if="visit.doneAt">
          <section v-if="visit.outcome" class="note verdict" :class="tone[visit.outcome]" role="status">
            <h2>{{ outcomeWords[visit.outcome] }}</h2>
            <p>{{ visit.sentence }}</p>
            <p v-if="visit.injury !== 'none'">
              Injury to the plant: {{ injuryWords[visit.injury].toLowerCase() }}.
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
          <p>Touch them: only count what lives. Look at new growth too.</p>
          <CountPad
            :clean="looked - living"
            :affected="[living]"
            :both="0"
            :can-undo="looked > 0"
            @count="look.add"
            @back="look.back"
          />
          <FieldError :problem="saving.error.value" field="leavesLooked" />
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
          <FieldNotes v-model="draft" />
          <FieldError :problem="saving.error.value" :shown="['leavesLooked']" />
          <Button label="Judge this spray" size="large" :loading="saving.isPending.value" @click="judge" />
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
</style>
