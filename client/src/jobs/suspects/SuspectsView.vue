<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import LeafDrawing from '@/drawings/LeafDrawing.vue'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import { dayAndClock, percent } from '@/kit/format'

const props = defineProps<{ observationId: string }>()
const router = useRouter()
const { garden, memberId } = useGarden()

/** Questions answered with "not sure": they settle nothing, and are not asked again on this visit. */
const notSure = ref<string[]>([])
const { data, isPending, error, refetch } = useGardenQuery(
  computed(() => ['suspects', props.observationId, notSure.value.join(',')]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/observations/{observationId}/suspects', {
        params: {
          path: { gardenId, observationId: props.observationId },
          query: { skip: notSure.value.join(',') },
        },
      }),
    ),
)
const path = (gardenId: string) => ({ params: { path: { gardenId, observationId: props.observationId } } })
const answering = useGardenWrite((gardenId, yes: boolean) =>
  answer(
    api.POST('/api/gardens/{gardenId}/observations/{observationId}/answers', {
      ...path(gardenId),
      body: { sign: data.value?.next?.sign ?? '', present: yes, memberId: memberId.value },
    }),
  ),
)
const naming = useGardenWrite((gardenId, target: string) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/observations/{observationId}/name', {
      ...path(gardenId),
      body: { target, memberId: memberId.value },
    }),
  ),
)

const chosen = ref<string>()
const lead = computed(
  () =>
    data.value?.suspects.find((s) => s.target === (chosen.value ?? data.value?.observation.named)) ??
    data.value?.suspects[0],
)
const rival = computed(() => data.value?.suspects.find((s) => s.target !== lead.value?.target))
const share = computed(() => {
  const o = data.value?.observation
  return o && o.leavesLooked > 0 ? o.leavesAffected / o.leavesLooked : 0
})
const named = computed(() => data.value?.observation.named === lead.value?.target)
const treatable = computed(
  () => lead.value && lead.value.kind !== 'lookAlike' && !lead.value.noSpray && !lead.value.insteadOfSpray,
)

async function callIt() {
  if (!lead.value) return
  if (!named.value && (await naming.mutateAsync(lead.value.target).catch(() => null)) === null) return
  if (treatable.value && data.value) {
    await router.push({
      name: 'bench',
      query: { planting: data.value.observation.plantingId, target: lead.value.target },
    })
  } else {
    await router.push('/')
  }
}

async function onlyName() {
  if (lead.value && (await naming.mutateAsync(lead.value.target).catch(() => null)) !== null)
    await router.push('/')
}
</script>

<template>
  <div class="page">
    <AsyncState v-if="!data || !lead" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <div class="page-head">
        <h1>What is it? {{ data.observation.where }}</h1>
        <p v-if="garden" class="soft">
          {{ data.observation.leavesAffected }} of {{ data.observation.leavesLooked }} leaves,
          {{ dayAndClock(data.observation.at, garden.timeZoneId) }}
        </p>
      </div>

      <div class="columns">
        <div class="left">
          <section class="card pair" aria-label="The two most likely">
            <figure v-for="s in [lead, rival].filter((x) => x !== undefined)" :key="s.target">
              <LeafDrawing :leaf="data.leaf" :sign="s.drawing" :size="120" :label="`${s.name} on a leaf`" />
              <figcaption>
                <strong>{{ s.name }}</strong>
                <span class="soft small">{{ s.howToTell }}</span>
              </figcaption>
            </figure>
          </section>
          <section v-if="data.next" class="note question" aria-live="polite">
            <h2>{{ data.next.question }}</h2>
            <p class="soft">
              {{ data.suspects[0]?.name }} is {{ percent(data.suspects[0]?.probability ?? 0) }} now:
              {{ percent(data.next.leadIfYes) }} after a yes, {{ percent(data.next.leadIfNo) }} after a no.
            </p>
            <div class="actions">
              <Button label="Yes" :loading="answering.isPending.value" @click="answering.mutate(true)" />
              <Button label="No" :loading="answering.isPending.value" @click="answering.mutate(false)" />
              <Button label="Not sure" variant="outlined" @click="notSure.push(data.next.sign)" />
            </div>
            <FieldError :problem="answering.error.value" />
          </section>
          <p v-else class="soft">No further question would change this much.</p>
        </div>

        <section class="card" aria-labelledby="ranking">
          <h2 id="ranking">Suspects</h2>
          <p v-if="data.namingCanWait" class="note good">{{ data.namingCanWait }}</p>
          <ol class="ranking">
            <li v-for="s in data.suspects" :key="s.target">
              <button :aria-pressed="s.target === lead.target" @click="chosen = s.target">
                <span class="name">{{ s.name }}</span>
                <span class="bar" aria-hidden="true"
                  ><i :style="{ width: percent(s.probability).replace(' ', '') }"
                /></span>
                <span class="share">{{ percent(s.probability) }}</span>
              </button>
            </li>
          </ol>
          <dl class="why">
            <dt>For {{ lead.name.toLowerCase() }}</dt>
            <dd>{{ lead.for.join(' · ') || 'nothing in particular' }}</dd>
            <dt>Against it</dt>
            <dd>{{ lead.against.join(' · ') || 'nothing yet' }}</dd>
          </dl>
          <p v-if="lead.insteadOfSpray" class="note" :class="{ stop: lead.noSpray }">
            {{ lead.insteadOfSpray }}
          </p>
          <p class="soft small">{{ percent(share) }} of leaves affected. {{ data.lineReason }}</p>
          <div class="actions">
            <Button
              :label="
                treatable
                  ? `Call it ${lead.name.toLowerCase()} and mix for it`
                  : `Call it ${lead.name.toLowerCase()}`
              "
              :loading="naming.isPending.value"
              @click="callIt"
            />
            <Button v-if="treatable" label="Name it, mix nothing" variant="outlined" @click="onlyName" />
          </div>
          <FieldError :problem="naming.error.value" />
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 18px;
  align-items: start;
}

.left,
section.card {
  display: grid;
  gap: 14px;
  align-content: start;
}

.pair {
  grid-template-columns: 1fr 1fr;
}

figure {
  margin: 0;
  display: grid;
  justify-items: center;
  align-content: start;
  gap: 10px;
  text-align: center;
}

figcaption {
  display: grid;
  gap: 3px;
}

.question {
  display: grid;
  gap: 10px;
  background: var(--mauve-soft);
  border-color: var(--mauve-line);
}

.ranking button {
  display: grid;
  grid-template-columns: minmax(0, 12em) 1fr 3.6em;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  padding: 4px 8px;
  border: 1px solid transparent;
  border-radius: var(--radius);
  background: none;
  color: var(--ink);
  text-align: left;
  cursor: pointer;
}

.ranking button[aria-pressed='true'] {
  border-color: var(--mauve);
  font-weight: 700;
}

.bar {
  height: 10px;
  background: var(--paper);
}

.bar i {
  display: block;
  height: 100%;
  min-width: 2px;
  background: var(--mauve);
}

.share {
  text-align: right;
}

.why {
  margin: 0;
}

.why dt {
  font-weight: 600;
}

.why dd {
  margin: 0 0 6px;
  color: var(--ink-soft);
}

@media (max-width: 820px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
