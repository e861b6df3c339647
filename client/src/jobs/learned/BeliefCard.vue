<script setup lang="ts">
import { tell, remarked } from '@/language'
import { computed, ref } from 'vue'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { answer, api, type Schemas } from '@/api/client'
import RangeBar from '@/drawings/RangeBar.vue'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import { day, percent } from '@/kit/format'

/** One belief: usual, own, now; and the outcomes it rests on, each of which can be set aside. */
const props = defineProps<{ belief: Schemas['LearnedAnswer']; title: string }>()
const { garden, memberId } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const estimates = computed(() => {
  const b = props.belief
  const of = (x: Schemas['BeliefAnswer']) => ({ value: x.mean * 100, low: x.low * 100, high: x.high * 100 })
  return [
    { name: tell('garden.usual'), tone: 'usual' as const, ...of(b.usual) },
    ...(b.own === null
      ? []
      : [{ name: tell('learned.seenHere'), tone: 'before' as const, value: b.own * 100 }]),
    { name: tell('learned.now'), tone: 'now' as const, ...of(b.now) },
  ]
})
const asking = ref<string>()
const why = ref('')
const discount = useGardenWrite((gardenId, { id, reason }: { id: string; reason: string | null }) =>
  answer(
    api.POST('/api/gardens/{gardenId}/check-backs/{checkBackId}/discount', {
      params: { path: { gardenId, checkBackId: id } },
      body: { why: reason, memberId: memberId.value },
    }),
  ),
)
async function setAside(id: string) {
  await discount.mutateAsync({ id, reason: why.value.trim() || tell('learned.setAside') }).catch(() => null)
  if (!discount.error.value) asking.value = undefined
}
</script>

<template>
  <section class="card" :aria-label="title">
    <h3>
      <svg width="16" height="16" aria-hidden="true">
        <rect width="16" height="16" :fill="`url(#hatch-${belief.hatch})`" stroke="currentColor" />
      </svg>
      {{ title }}
    </h3>
    <RangeBar :estimates="estimates" />
    <p class="small">{{ belief.sentence }}</p>
    <details>
      <summary>
        {{ belief.outcomes.length }}
        {{ belief.outcomes.length === 1 ? tell('learned.outcome') : tell('learned.outcomes') }}
      </summary>
      <ul>
        <li
          v-for="o in belief.outcomes"
          :key="o.checkBackId ?? o.trialId ?? o.at"
          :class="{ aside: o.discountedFor }"
        >
          <div>
            <span class="soft">{{ day(o.at, zone) }}, {{ o.where }}</span>
            <span>{{
              remarked(
                `${o.counts}: ${percent(o.hits)}`,
                !o.discountedFor && tell('learned.counts', { weight: o.weight }),
              )
            }}</span>
            <em v-if="o.discountedFor">{{
              tell('learned.setAside2', { discountedFor: o.discountedFor })
            }}</em>
          </div>
          <template v-if="o.checkBackId">
            <Button
              v-if="o.discountedFor"
              :label="tell('learned.letItCount')"
              size="small"
              variant="text"
              @click="discount.mutate({ id: o.checkBackId, reason: null })"
            />
            <Button
              v-else-if="asking !== o.checkBackId"
              :label="tell('learned.setAside3')"
              size="small"
              variant="text"
              :aria-label="tell('learned.setAsideTheOutcome', { at: day(o.at, zone), where: o.where })"
              @click="((asking = o.checkBackId), (why = ''))"
            />
            <form v-else @submit.prevent="setAside(o.checkBackId)">
              <InputText
                v-model="why"
                :aria-label="tell('learned.whyTheOutcomeOfDoesNot', { at: day(o.at, zone) })"
                :placeholder="tell('learned.whyRainCameAnotherHandSprayed')"
              />
              <Button
                type="submit"
                :label="tell('learned.setAside3')"
                size="small"
                :loading="discount.isPending.value"
              />
            </form>
          </template>
        </li>
      </ul>
      <FieldError :problem="discount.error.value" />
    </details>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
}

h3 > svg {
  margin-right: 4px;
  vertical-align: -2px;
}

h3 .soft {
  font-weight: 400;
}

summary {
  min-height: 32px;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 4px 10px;
  padding: 5px 0;
  border-top: 1px solid var(--line);
}

li div {
  display: grid;
}

.aside span {
  text-decoration: line-through;
}

form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
