<script setup lang="ts">
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { counted } from '@/garden/words'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import { chance, dayAndClock, inSentence, percent } from '@/kit/format'
import { useWalk } from '../walk/useWalk'
import NameIt from './NameIt.vue'
import ObservationPhotos from './ObservationPhotos.vue'
import SuspectBar from './SuspectBar.vue'
import SuspectPair from './SuspectPair.vue'
import { useSuspects } from './useSuspects'

const props = defineProps<{ observationId: string }>()
const router = useRouter()
const { garden, memberId } = useGarden()
const { walkId } = useWalk()

const { away, notSure, data, isPending, error, refetch, answering, naming } = useSuspects(props.observationId)
const say = (present: boolean) =>
  data.value?.next && answering.mutate({ sign: data.value.next.sign, present })

const striking = useGardenWrite((gardenId) =>
  answer(
    api.DELETE('/api/gardens/{gardenId}/looks/{lookId}', {
      params: {
        path: { gardenId, lookId: data.value?.observation.lookId ?? '' },
        query: { memberId: memberId.value ?? undefined },
      },
    }),
  ),
)
const strike = () => striking.mutate(undefined, { onSuccess: () => router.push({ name: 'walk' }) })

const chosen = ref<string>()
const lead = computed(
  () =>
    data.value?.suspects.find((s) => s.target === (chosen.value ?? data.value?.observation.named)) ??
    data.value?.suspects[0],
)
type Nameable = { target: string; name: string; probability: number }
/** The name that is worth giving: that of the group while its kinds are not told apart and nobody has chosen one. */
const proposed = computed<Nameable | undefined>(() => (!chosen.value && data.value?.group) || lead.value)
/** The other of kind and group, where both may be named. */
const besides = computed<Nameable | undefined>(() =>
  data.value?.group ? (chosen.value ? data.value.group : lead.value) : undefined,
)
const headline = computed(() =>
  proposed.value ? `${proposed.value.name}: ${chance(proposed.value.probability)}` : '',
)
const callItAnd = (name: string) =>
  away.value ? tell('suspects.callItAndGoOn', { name }) : tell('suspects.callItAndDecide', { name })
/** Under this a suspect waits behind a fold; the first two and the chosen one never do. */
const ofNote = 0.01
const shown = (target: string, probability: number, rank: number) =>
  rank < 2 || probability >= ofNote || target === lead.value?.target
const likely = computed(() => data.value?.suspects.filter((s, i) => shown(s.target, s.probability, i)) ?? [])
const unlikely = computed(() => data.value?.suspects.filter((s) => !likely.value.includes(s)) ?? [])
const rival = computed(() => data.value?.suspects.find((s) => s.target !== lead.value?.target))
const share = computed(() => {
  const o = data.value?.observation
  return o && o.leavesLooked > 0 ? o.leavesAffected / o.leavesLooked : 0
})
const treatable = computed(
  () => lead.value && lead.value.kind !== 'lookAlike' && !lead.value.noSpray && !lead.value.insteadOfSpray,
)

/** Away from the network nothing can be decided: the walk goes on. */
const onward = computed(() => (away.value ? 'go on' : 'decide'))

/** Gives the name, then goes to its ladder, to the bench for it, or on with the walk. */
async function callIt(target: string, then: 'decide' | 'mix' | 'go on', group = false, ownName?: string) {
  if (!data.value) return
  const named = await naming.mutateAsync({ target, group, ownName: ownName ?? null }).then(
    () => true,
    () => false,
  )
  if (!named) return
  const { plantingId } = data.value.observation
  const next = {
    decide: { name: 'decide', query: { planting: plantingId } },
    mix: { name: 'bench', query: { planting: plantingId, target } },
    'go on': { name: 'walk' },
  }
  await router.push(next[then])
}
</script>

<template>
  <div class="page">
    <template v-if="!data || !lead || !proposed">
      <AsyncState :pending="isPending" :error="error" :retry="refetch" />
      <Button
        v-if="error"
        :label="tell('suspects.nameItLater')"
        variant="text"
        @click="router.push('/walk')"
      />
    </template>
    <template v-else>
      <div class="page-head">
        <h1>{{ tell('suspects.whatIs', { where: data.observation.where }) }}</h1>
        <p v-if="garden" class="soft">
          {{
            tell('suspects.countAt', {
              count: counted(data.observation, data.observation.plants !== null),
              dayAndClock: dayAndClock(data.observation.at, garden.timeZoneId),
            })
          }}
        </p>
      </div>

      <p v-if="away" class="note" role="status">{{ tell('suspects.rankedOnThisDevice') }}</p>
      <div class="columns">
        <section class="card answer" aria-labelledby="answer">
          <h2 id="answer">{{ headline }}</h2>
          <p v-if="data.meanwhile" class="note caution">{{ data.meanwhile }}</p>
          <p v-if="data.together" class="note">
            {{
              tell('suspects.perhapsTwoAtOnce', {
                first: inSentence(data.together.first),
                second: inSentence(data.together.second),
              })
            }}
          </p>
          <p v-if="data.group" class="note good">{{ tell('suspects.whichKindIsNotSettled') }}</p>
          <p v-else-if="data.namingCanWait" class="note good">{{ data.namingCanWait.sentence }}</p>
          <div class="deed-at-hand">
            <Button
              :label="callItAnd(inSentence(proposed.name))"
              :loading="naming.isPending.value"
              @click="callIt(proposed.target, onward)"
            />
          </div>
          <div class="actions">
            <Button
              v-if="besides"
              :label="callItAnd(inSentence(besides.name))"
              variant="outlined"
              :loading="naming.isPending.value"
              @click="callIt(besides.target, onward)"
            />
            <Button
              v-else-if="data.namingCanWait"
              :label="callItAnd(data.namingCanWait.words)"
              variant="outlined"
              :loading="naming.isPending.value"
              @click="callIt(data.namingCanWait.target, 'decide', true)"
            />
            <Button
              v-if="treatable && !away"
              :label="tell('suspects.callItAndMix', { lead: inSentence(lead.name) })"
              variant="outlined"
              @click="callIt(lead.target, 'mix')"
            />
            <Button
              v-if="walkId && !away"
              :label="tell('suspects.nameItAndGo')"
              variant="outlined"
              @click="callIt(lead.target, 'go on')"
            />
            <Button
              v-if="walkId"
              :label="tell('suspects.nameItLater')"
              variant="text"
              @click="router.push('/walk')"
            />
          </div>
          <FieldError :problem="naming.error.value" />
        </section>

        <div class="left">
          <section v-if="data.next" class="note question" aria-live="polite">
            <h2>{{ data.next.question }}</h2>
            <p class="soft">
              {{
                tell('suspects.isNowAfterAYesAfter', {
                  suspects: data.suspects[0]?.name,
                  chance: chance(data.suspects[0]?.probability ?? 0),
                  chance2: chance(data.next.leadIfYes),
                  chance3: chance(data.next.leadIfNo),
                })
              }}
            </p>
            <div class="actions">
              <Button
                :label="tell('suspects.yes')"
                variant="outlined"
                :loading="answering.isPending.value"
                @click="say(true)"
              />
              <Button
                :label="tell('suspects.no')"
                variant="outlined"
                :loading="answering.isPending.value"
                @click="say(false)"
              />
              <Button
                :label="tell('suspects.notSure')"
                variant="outlined"
                @click="notSure.push(data.next.sign)"
              />
            </div>
            <FieldError :problem="answering.error.value" />
          </section>
          <p v-else class="soft">{{ tell('suspects.noFurtherQuestionWouldChangeThis') }}</p>
          <SuspectPair
            class="drawings"
            :leaf="data.leaf"
            :suspects="[lead, rival].filter((x) => x !== undefined)"
          />
          <ObservationPhotos v-if="!away" :observation-id="observationId" />
        </div>

        <section class="card rest" aria-labelledby="ranking">
          <h2 id="ranking">{{ tell('suspects.allSuspects') }}</h2>
          <ol class="ranking">
            <li v-for="s in likely" :key="s.target">
              <button :aria-pressed="s.target === lead.target" @click="chosen = s.target">
                <SuspectBar :name="s.name" :probability="s.probability" />
              </button>
            </li>
            <li class="not-listed">
              <SuspectBar :name="tell('suspects.somethingNotListed')" :probability="data.notListed" />
            </li>
          </ol>
          <details v-if="unlikely.length > 0">
            <summary>{{ tell('suspects.moreEachUnder1', { unlikely: unlikely.length }) }}</summary>
            <ul class="ranking">
              <li v-for="s in unlikely" :key="s.target">
                <button :aria-pressed="s.target === lead.target" @click="chosen = s.target">
                  <SuspectBar :name="s.name" :probability="s.probability" />
                </button>
              </li>
            </ul>
          </details>
          <NameIt @name="(target, own) => callIt(target, onward, false, own)" />
          <dl v-if="!away" class="why">
            <dt>{{ tell('suspects.for', { lead: inSentence(lead.name) }) }}</dt>
            <dd>{{ lead.for.join(' · ') || tell('ledger.nothingInParticular') }}</dd>
            <dt>{{ tell('suspects.againstIt') }}</dt>
            <dd>{{ lead.against.join(' · ') || tell('suspects.nothingYet') }}</dd>
          </dl>
          <p v-if="lead.insteadOfSpray" class="note" :class="{ stop: lead.noSpray }">
            {{ lead.insteadOfSpray }}
          </p>
          <p class="soft small">
            {{
              remarked(
                tell('suspects.shareAffected', { share: percent(share) }),
                data.observation.severityPercent !== null &&
                  tell('suspects.aboutOfSuchALeafCovered', {
                    severityPercent: data.observation.severityPercent,
                  }),
              )
            }}. {{ data.lineReason }} {{ data.trend?.sentence }}
          </p>
        </section>
      </div>
      <FieldError :problem="striking.error.value" />
      <div v-if="!away" class="actions">
        <Button
          :label="tell('suspects.thisCountWasAMistakeStrike')"
          variant="text"
          :loading="striking.isPending.value"
          @click="strike"
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template: 'left answer' auto 'left rest' 1fr / 1fr 1fr;
  gap: 14px 18px;
  align-items: start;
}

.left {
  grid-area: left;
}

.answer {
  grid-area: answer;
}

.rest {
  grid-area: rest;
}

/* On a wide screen the drawings stand at the first place that is looked at. */
.drawings {
  order: -1;
}

.left,
section.card {
  display: grid;
  gap: 14px;
  align-content: start;
}

.question {
  display: grid;
  gap: 10px;
  background: var(--mauve-soft);
  border-color: var(--mauve-line);
}

.ranking button,
.not-listed {
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

.not-listed {
  color: var(--ink-soft);
  cursor: default;
}

.ranking button[aria-pressed='true'] {
  border-color: var(--mauve);
  font-weight: 700;
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
    display: flex;
    flex-direction: column;
    align-items: stretch;
  }

  .drawings {
    order: 0;
  }
}

/* The deed stays under the thumb while one reads on: the answer, what would settle it, how it looks, and only then what else could be done. */
@media (max-width: 640px) {
  .columns > .answer {
    display: contents;
  }

  .left {
    order: 1;
  }

  .answer > .actions {
    order: 2;
  }

  .rest {
    order: 3;
  }

  .deed-at-hand {
    background: var(--paper);
  }

  .deed-at-hand > * {
    width: 100%;
  }
}
</style>
