<script setup lang="ts">
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'
import { options, sprayReasonWords, stepWords, wettedPartWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import { dayAndClock, percent, inSentence } from '@/kit/format'
import { fromLocal, toLocal } from '@/kit/localTime'
import SprayFields, { type SprayDraft } from './SprayFields.vue'

/** All that is known of one spray, with what was put right since. */
const props = defineProps<{ sprayId: string }>()
const { garden, memberId } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const { data, isPending, error, refetch } = useGardenQuery(
  computed(() => ['spray-record', props.sprayId]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/ledger/sprays/{sprayId}', {
        params: { path: { gardenId, sprayId: props.sprayId } },
      }),
    ),
)
const draft = ref<SprayDraft>()
const why = ref<Schemas['SprayReason']>('ownIdea')
const begin = (r: Schemas['SprayRecord']) => {
  correcting.reset()
  why.value = r.why
  draft.value = {
    at: toLocal(r.at, zone.value),
    plantingIds: [...r.plantingIds],
    litres: r.litres,
    wettedPercent: Math.round(r.shareWetted * 100),
    parts: [...r.parts],
    target: r.target ?? 'none',
    doneBy: r.doneBy ?? '',
    note: r.note ?? '',
  }
}
const correcting = useGardenWrite((gardenId, d: SprayDraft) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/ledger/sprays/{sprayId}', {
      params: { path: { gardenId, sprayId: props.sprayId } },
      body: {
        // Seconds that the form does not show are kept as long as the minute is.
        at:
          data.value && toLocal(data.value.at, zone.value) === d.at
            ? data.value.at
            : fromLocal(d.at, zone.value),
        litres: d.litres ?? 0,
        shareWetted: d.wettedPercent / 100,
        parts: d.parts,
        plantingIds: d.plantingIds,
        target: d.target === 'none' ? null : d.target,
        why: why.value,
        note: d.note,
        doneBy: d.doneBy || null,
        memberId: memberId.value,
      },
    }),
  ),
)
async function save() {
  if (draft.value && (await correcting.mutateAsync(draft.value).catch(() => null))) draft.value = undefined
}
const striking = useGardenWrite((gardenId, struck: boolean) =>
  answer(
    api.POST('/api/gardens/{gardenId}/ledger/sprays/{sprayId}/strike', {
      params: { path: { gardenId, sprayId: props.sprayId } },
      body: { struck, memberId: memberId.value },
    }),
  ),
)
const doneBy = computed(() => garden.value?.members.find((m) => m.id === data.value?.doneBy)?.name)
const facts = computed<[string, string][]>(() => {
  const r = data.value
  if (!r) return []
  return [
    [tell('bench.where'), r.where.join(', ')],
    [tell('almanac.against'), r.targetName ?? tell('ledger.nothingInParticular')],
    [
      tell('bench.dose'),
      [r.dose, r.step && tell('ledger.dose', { stepWords: stepWords[r.step] })].filter(Boolean).join(', ') ||
        tell('board.notKnown'),
    ],
    [
      tell('ledger.amount'),
      r.litres > 0
        ? r.expectedAmount
          ? tell('ledger.wasReckoned', { amount: r.amount, expectedAmount: r.expectedAmount })
          : r.amount
        : tell('ledger.noLiquid'),
    ],
    [
      tell('ledger.wetted'),
      r.parts.length
        ? tell('ledger.ofLeaves', {
            shareWetted: percent(r.shareWetted),
            parts: r.parts.map((p) => inSentence(wettedPartWords[p])).join(', '),
          })
        : tell('ledger.ofLeaves2', { shareWetted: percent(r.shareWetted) }),
    ],
    [tell('bench.group'), r.groupName],
    [tell('ledger.weatherThen'), r.air],
    [tell('board.why'), sprayReasonWords[r.why]],
    [tell('ledger.who'), doneBy.value ?? tell('garden.notSaid')],
    ...(r.mix.length
      ? ([[tell('ledger.inTheMix'), r.mix.map((m) => `${m.name} ${m.amount}`).join(', ')]] as [
          string,
          string,
        ][])
      : []),
    ...(r.note ? ([[tell('ledger.note'), r.note]] as [string, string][]) : []),
  ]
})
</script>

<template>
  <div class="page narrow paper">
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <div class="page-head">
        <h1>{{ data.recipeName ?? data.materialName }}</h1>
        <p class="soft">
          {{ remarked(dayAndClock(data.at, zone), data.patchTest && tell('ledger.aTryOnTwoLeaves')) }}
        </p>
      </div>
      <p v-if="data.struckAt" class="note caution" role="status">
        {{ tell('ledger.struckOutOnItCounts', { dayAndClock: dayAndClock(data.struckAt, zone) }) }}
      </p>
      <dl class="card">
        <template v-for="[name, value] in facts" :key="name">
          <dt>{{ name }}</dt>
          <dd>{{ value }}</dd>
        </template>
      </dl>
      <FieldError :problem="striking.error.value" />
      <div v-if="!draft" class="actions no-print">
        <Button v-if="!data.struckAt" :label="tell('ledger.putItRight')" @click="begin(data)" />
        <Button
          :label="data.struckAt ? tell('ledger.bringItBack') : tell('ledger.strikeItOut')"
          variant="outlined"
          :loading="striking.isPending.value"
          @click="striking.mutate(!data.struckAt)"
        />
        <RouterLink
          v-for="id in data.checkBackIds"
          :key="id"
          class="link"
          :to="{ name: 'check-back', params: { checkBackId: id } }"
          >{{ tell('ledger.itsCheckBack') }}</RouterLink
        >
      </div>
      <section v-else class="card stack" aria-labelledby="right">
        <h2 id="right">{{ tell('ledger.putItRight') }}</h2>
        <SprayFields
          v-model="draft"
          :problem="correcting.error.value"
          litres-field="litres"
          :size-unit="data.litres > 0 ? 'l' : null"
          :more="data.plantingIds.map((id, i) => ({ id, label: data?.where[i] ?? id }))"
        />
        <SelectField v-model="why" :label="tell('board.why')" :options="options(sprayReasonWords)" />
        <FieldError
          :problem="correcting.error.value"
          :shown="['at', 'plantingIds', 'litres', 'target', 'shareWetted', 'note']"
        />
        <div class="actions">
          <Button :label="tell('ledger.saveItSo')" :loading="correcting.isPending.value" @click="save" />
          <Button :label="tell('ledger.leaveIt')" variant="text" @click="draft = undefined" />
        </div>
      </section>
      <section v-if="data.history.length" aria-labelledby="history">
        <h2 id="history">{{ tell('ledger.whatItWasBefore') }}</h2>
        <ol>
          <li v-for="(c, i) in data.history" :key="i">
            <span class="soft"
              >{{ dayAndClock(c.at, zone) }}<template v-if="c.who">, {{ c.who }}</template></span
            >
            {{ c.field }}: <del>{{ c.was ?? tell('ledger.nothing') }}</del>
            {{ c.became ?? tell('ledger.nothing') }}
          </li>
        </ol>
      </section>
    </template>
  </div>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 6px 14px;
  margin: 0;
}

dt {
  color: var(--ink-soft);
}

dd {
  margin: 0;
}

.stack {
  display: grid;
  gap: 14px;
}

.link {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}

h2 + ol li {
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}

@media (max-width: 640px) {
  dl {
    grid-template-columns: 96px 1fr;
  }
}
</style>
