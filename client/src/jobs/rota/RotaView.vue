<script setup lang="ts">
import PlainWords from '@/kit/PlainWords.vue'
import { stepWords } from '@/garden/words'
import { tell, remarked } from '@/language'
import ToldAround from '@/kit/ToldAround.vue'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import NothingPlanted from '@/garden/NothingPlanted.vue'
import { useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import PrintButton from '@/kit/PrintButton.vue'
import { civilDay, clock, inSentence } from '@/kit/format'
import RotaGrid from './RotaGrid.vue'
import RotaLooks from './RotaLooks.vue'
import SeasonOutline from './SeasonOutline.vue'
import { useMoves, useRota, useWords, type Round } from './useRota'

/** The plan: which evenings, which tanks, which beds, which group next. */
const router = useRouter()
const { garden, gardenId, plantings } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const { data, isPending, error, refetch } = useRota()
const { say, letGo, seen } = useWords()

const chosen = ref<Round>()
const over = ref<string>()
const moves = useMoves(chosen)
/** The outing that comes next, while no block is in hand. */
const next = computed(() => data.value?.outings[0])
const move = computed(() => moves.data.value?.find((m) => m.on === (over.value ?? chosen.value?.on)))

function choose(round: Round) {
  chosen.value = round
  over.value = undefined
}
async function drop() {
  const round = chosen.value
  const day = over.value
  if (!round || !day || day === round.on || move.value?.morePercent === null) return
  await pin(round, day)
}
const pin = (round: Round, on: string) =>
  say
    .mutateAsync({ word: 'pin', plantingId: round.plantingId, target: round.target, material: null, on })
    .then(clear, () => undefined)
const skip = (round: Round) =>
  say
    .mutateAsync({
      word: 'skip',
      plantingId: round.plantingId,
      target: round.target,
      material: null,
      on: round.on,
    })
    .then(clear, () => undefined)
const ban = (round: Round) =>
  say
    .mutateAsync({
      word: 'ban',
      plantingId: round.plantingId,
      target: null,
      material: round.material,
      on: null,
    })
    .then(clear, () => undefined)
function clear() {
  chosen.value = undefined
  over.value = undefined
}
const nothing = computed(() => data.value?.outings.length === 0 && data.value.patches.length === 0)
/** Leaves that are tried first, by day. */
const patchDays = computed(() => {
  const patches = data.value?.patches ?? []
  return [...new Set(patches.map((p) => p.on))].map((on) => ({
    on,
    patches: patches.filter((p) => p.on === on),
  }))
})
</script>

<template>
  <div class="page wide paper">
    <div class="page-head">
      <h1>{{ tell('rota.rota') }}</h1>
      <p v-if="data" class="soft">
        {{
          tell('rota.firmUntilPlannedAnewAfterEvery', {
            inShort: data.inShort,
            firmTo: civilDay(data.firmTo),
          })
        }}
      </p>
      <PrintButton v-if="data" :label="tell('rota.printTheFortnight')" size="small" variant="text" />
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <p v-for="c in data.cannot" :key="c.code" class="note caution">{{ c.sentence }}</p>
      <section v-if="data.changes.length" class="card" aria-labelledby="changes-head">
        <h2 id="changes-head">{{ tell('rota.changedSinceYouLastLooked') }}</h2>
        <ul class="list">
          <li v-for="c in data.changes" :key="c.why.sentence">{{ c.why.sentence }}</li>
        </ul>
        <Button :label="tell('rota.iHaveSeen')" variant="outlined" size="small" @click="seen.mutate()" />
      </section>
      <div class="fortnight">
        <section class="card" :aria-label="tell('rota.daysByPlaces')">
          <RotaGrid
            :rota="data"
            :chosen="chosen"
            :moves="moves.data.value"
            :over="over"
            @choose="choose"
            @over="over = $event"
            @drop="drop"
          />
          <p v-if="!chosen" class="soft small">
            {{ tell('rota.chooseABlockToSeeWhy') }}
          </p>
        </section>
        <section v-if="chosen" class="card chosen" aria-live="polite" aria-labelledby="chosen-head">
          <h2 id="chosen-head">
            {{
              tell('rota.roundOf', {
                where: chosen.where,
                recipeName: inSentence(chosen.recipeName),
                round: chosen.round,
                rounds: chosen.rounds,
              })
            }}
          </h2>
          <p>
            {{
              remarked(
                tell('rota.onFrom', {
                  on: civilDay(chosen.on),
                  from: clock(chosen.hours.from, zone),
                  to: clock(chosen.hours.to, zone),
                }),
                !chosen.hours.known && tell('outing.asTheWeatherAllows'),
                tell('bench.against', { targetName: inSentence(chosen.targetName) }),
              )
            }}
          </p>
          <p v-if="over && over !== chosen.on" class="note" :class="{ stop: move?.morePercent === null }">
            <strong>{{ civilDay(over) }}</strong>: {{ move?.why.sentence ?? tell('rota.workingItOut') }}
          </p>
          <ul class="list soft">
            <li v-for="why in chosen.why" :key="why.sentence"><PlainWords :text="why.sentence" /></li>
            <li v-for="a in chosen.against" :key="a.sentence">
              {{ tell('rota.not', { against: a.sentence }) }}
            </li>
          </ul>
          <FieldError :problem="say.error.value ?? letGo.error.value" />
          <div class="actions">
            <Button
              v-if="over && over !== chosen.on && move && move.morePercent !== null"
              :label="tell('rota.moveIt', { over: civilDay(over) })"
              @click="pin(chosen, over)"
            />
            <Button
              v-else-if="chosen.pinId"
              :label="tell('rota.unpin')"
              variant="outlined"
              @click="letGo.mutateAsync(chosen.pinId).then(clear)"
            />
            <Button
              v-else
              :label="tell('rota.pinItToThisDay')"
              variant="outlined"
              @click="pin(chosen, chosen.on)"
            />
            <Button :label="tell('rota.notThisTime')" variant="outlined" @click="skip(chosen)" />
            <Button
              :label="tell('rota.neverHere', { recipeName: inSentence(chosen.recipeName) })"
              variant="text"
              @click="ban(chosen)"
            />
            <Button :label="tell('archive.close')" variant="text" @click="clear" />
          </div>
        </section>
        <section v-else-if="next" class="card" aria-labelledby="next-head">
          <h2 id="next-head">{{ next.title }}</h2>
          <p class="soft">
            {{
              remarked(
                tell('outing.fromTo', { from: clock(next.hours.from, zone), to: clock(next.hours.to, zone) }),
                !next.hours.known && tell('outing.asTheWeatherAllows'),
              )
            }}
          </p>
          <div v-for="t in next.tanks" :key="t.recipe + t.step">
            <p>
              <strong>{{ t.recipeName }}, {{ t.amount }}</strong>
              <span class="soft">{{ ' ' + tell('bench.dose2', { step: stepWords[t.step] }) }}</span>
            </p>
            <ul class="soft">
              <li v-for="r in t.rounds" :key="r.key">
                {{
                  tell('rota.roundOf2', {
                    where: r.where,
                    amount: r.amount,
                    round: r.round,
                    rounds: r.rounds,
                  })
                }}
              </li>
            </ul>
          </div>
          <p v-if="next.tanks[0]?.rounds[0]" class="soft">
            {{ next.tanks[0].rounds[0].why.at(-1)?.sentence }}
          </p>
          <Button
            :label="tell('rota.startThisOuting')"
            :aria-label="tell('rota.startThisOuting2', { title: next.title })"
            @click="router.push({ name: 'outing', params: { outingKey: next.key } })"
          />
        </section>
      </div>
      <NothingPlanted v-if="garden && plantings.length === 0" class="note" />
      <p v-else-if="nothing" class="note">
        {{ tell('rota.nothingToSprayInTheComing') }}
        <ToldAround :sentence="(it) => tell('rota.aWalkKeepsItSo', { it })"
          ><RouterLink :to="{ name: 'walk' }">{{ tell('rota.aWalk') }}</RouterLink></ToldAround
        >
      </p>
      <div class="columns">
        <section class="card" aria-labelledby="outings-head">
          <h2 id="outings-head">{{ tell('rota.outings') }}</h2>
          <ol class="list">
            <li v-for="day in patchDays" :key="day.on">
              <p>
                <strong>{{ tell('rota.twoLeavesFirst', { on: civilDay(day.on) }) }}</strong>
              </p>
              <p v-for="p in day.patches" :key="p.plantingId + p.target" class="soft">
                {{ tell('rota.recipenameWhere', { recipeName: p.recipeName, where: p.where }) }}
              </p>
              <p class="soft">{{ tell('rota.theRestWaitsTwoDays') }}</p>
            </li>
            <li v-for="o in data.outings" :key="o.key + o.on">
              <p>
                <strong>{{ o.title }}</strong>
              </p>
              <p class="soft">
                {{
                  remarked(
                    tell('outing.fromTo', { from: clock(o.hours.from, zone), to: clock(o.hours.to, zone) }),
                    !o.hours.known && tell('outing.asTheWeatherAllows'),
                  )
                }}.
                <template v-for="t in o.tanks" :key="t.recipe + t.step"
                  >{{ t.amount }} {{ [...new Set(t.rounds.map((r) => r.where))].join(', ') }}.
                </template>
              </p>
              <Button
                :label="tell('rota.goOut')"
                size="small"
                :variant="o.on === data.from ? undefined : 'outlined'"
                :aria-label="tell('rota.goOut2', { title: o.title })"
                @click="router.push({ name: 'outing', params: { outingKey: o.key } })"
              />
            </li>
          </ol>
          <p>
            <a :href="`/api/gardens/${gardenId}/plan/calendar.ics`">{{ tell('rota.calendarFileAndFeed') }}</a>
            <span class="soft small"> {{ tell('rota.itKeepsItsEventsWhenThey') }}</span>
          </p>
        </section>
        <section class="card" aria-labelledby="looks-head">
          <h2 id="looks-head">{{ tell('rota.looking') }}</h2>
          <RotaLooks :rota="data" />
          <template v-if="data.notPlanned.length">
            <h2>{{ tell('rota.notPlannedAndWhy') }}</h2>
            <ul class="list">
              <li v-for="n in data.notPlanned" :key="n.plantingId + n.target">
                <strong>{{ n.where }}</strong>, {{ inSentence(n.targetName) }}: {{ n.why.sentence }}
              </li>
            </ul>
          </template>
          <template v-if="data.choices.length">
            <h2>{{ tell('rota.yourWords') }}</h2>
            <ul class="list">
              <li v-for="c in data.choices" :key="c.id">
                {{ c.words }}
                <Button
                  :label="tell('rota.letGo')"
                  size="small"
                  variant="text"
                  :aria-label="tell('rota.letGo2', { words: c.words })"
                  @click="letGo.mutate(c.id)"
                />
              </li>
            </ul>
          </template>
        </section>
      </div>
      <SeasonOutline :rota="data" />
    </template>
  </div>
</template>

<style scoped>
.fortnight {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 14px;
  align-items: start;
}

@media (max-width: 1000px) {
  .fortnight {
    grid-template-columns: minmax(0, 1fr);
  }
}

.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
  gap: 18px;
  align-items: start;
}

section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}

.list > li {
  padding: 6px 0;
  border-top: 1px solid var(--line);
}

.list > li > button {
  margin: 6px 0 2px;
}

.chosen {
  border-color: var(--mauve);
}
</style>
