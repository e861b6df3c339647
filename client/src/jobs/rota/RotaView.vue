<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
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
const { garden, gardenId } = useGarden()
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
      <h1>Rota</h1>
      <p v-if="data" class="soft">
        {{ data.inShort }} Firm until {{ civilDay(data.firmTo) }}; planned anew after every new fact.
      </p>
      <PrintButton v-if="data" label="Print the fortnight" size="small" variant="text" />
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <p v-for="sentence in data.cannot" :key="sentence" class="note caution">{{ sentence }}</p>
      <section v-if="data.changes.length" class="card" aria-labelledby="changes-head">
        <h2 id="changes-head">Changed since you last looked</h2>
        <ul class="list">
          <li v-for="c in data.changes" :key="c.sentence">{{ c.sentence }}</li>
        </ul>
        <Button label="I have seen it" variant="outlined" size="small" @click="seen.mutate()" />
      </section>
      <div class="fortnight">
        <section class="card" aria-label="Days by places">
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
            Choose a block to see why, and carry it to another day: with the mouse or a finger, or with the
            left and right keys and Enter; up and down go to the next block. Each day tells what it would
            cost, in per cent of a bed's crop.
          </p>
        </section>
        <section v-if="chosen" class="card chosen" aria-live="polite" aria-labelledby="chosen-head">
          <h2 id="chosen-head">
            {{ chosen.where }}: {{ inSentence(chosen.recipeName) }}, round {{ chosen.round }} of
            {{ chosen.rounds }}
          </h2>
          <p>
            {{ civilDay(chosen.on) }}, {{ clock(chosen.hours.from, zone) }} to
            {{ clock(chosen.hours.to, zone)
            }}<template v-if="!chosen.hours.known"> or as the weather allows</template>, against
            {{ inSentence(chosen.targetName) }}
          </p>
          <p v-if="over && over !== chosen.on" class="note" :class="{ stop: move?.morePercent === null }">
            <strong>{{ civilDay(over) }}</strong>: {{ move?.sentence ?? 'working it out' }}
          </p>
          <ul class="list soft">
            <li v-for="why in chosen.why" :key="why">{{ why }}</li>
            <li v-for="against in chosen.against" :key="against">Not {{ against }}</li>
          </ul>
          <FieldError :problem="say.error.value ?? letGo.error.value" />
          <div class="actions">
            <Button
              v-if="over && over !== chosen.on && move && move.morePercent !== null"
              :label="`Move it to ${civilDay(over)}`"
              @click="pin(chosen, over)"
            />
            <Button
              v-else-if="chosen.pinId"
              label="Unpin"
              variant="outlined"
              @click="letGo.mutateAsync(chosen.pinId).then(clear)"
            />
            <Button v-else label="Pin it to this day" variant="outlined" @click="pin(chosen, chosen.on)" />
            <Button label="Not this time" variant="outlined" @click="skip(chosen)" />
            <Button
              :label="`Never ${inSentence(chosen.recipeName)} here`"
              variant="text"
              @click="ban(chosen)"
            />
            <Button label="Close" variant="text" @click="clear" />
          </div>
        </section>
        <section v-else-if="next" class="card" aria-labelledby="next-head">
          <h2 id="next-head">{{ next.title }}</h2>
          <p class="soft">
            {{ clock(next.hours.from, zone) }} to {{ clock(next.hours.to, zone)
            }}<template v-if="!next.hours.known">, as the weather allows</template>
          </p>
          <div v-for="t in next.tanks" :key="t.recipe + t.step">
            <p>
              <strong>{{ t.recipeName }}, {{ t.amount }}</strong
              >, {{ t.step }} dose
            </p>
            <ul class="soft">
              <li v-for="r in t.rounds" :key="r.key">
                {{ r.where }}, {{ r.amount }}, round {{ r.round }} of {{ r.rounds }}
              </li>
            </ul>
          </div>
          <p v-if="next.tanks[0]?.rounds[0]" class="soft">{{ next.tanks[0].rounds[0].why.at(-1) }}</p>
          <Button
            label="Start this outing"
            :aria-label="`Start this outing: ${next.title}`"
            @click="router.push({ name: 'outing', params: { outingKey: next.key } })"
          />
        </section>
      </div>
      <p v-if="nothing" class="note">
        Nothing to spray in the coming fortnight.
        <RouterLink :to="{ name: 'walk' }">A walk</RouterLink> is what keeps it so.
      </p>
      <div class="columns">
        <section class="card" aria-labelledby="outings-head">
          <h2 id="outings-head">Outings</h2>
          <ol class="list">
            <li v-for="day in patchDays" :key="day.on">
              <p>
                <strong>{{ civilDay(day.on) }}: two leaves first</strong>
              </p>
              <p v-for="p in day.patches" :key="p.plantingId + p.target" class="soft">
                {{ p.recipeName }} on {{ p.where }}
              </p>
              <p class="soft">The rest waits two days for them.</p>
            </li>
            <li v-for="o in data.outings" :key="o.key + o.on">
              <p>
                <strong>{{ o.title }}</strong>
              </p>
              <p class="soft">
                {{ clock(o.hours.from, zone) }} to {{ clock(o.hours.to, zone)
                }}<template v-if="!o.hours.known">, as the weather allows</template>.
                <template v-for="t in o.tanks" :key="t.recipe + t.step"
                  >{{ t.amount }} {{ [...new Set(t.rounds.map((r) => r.where))].join(', ') }}.
                </template>
              </p>
              <Button
                label="Go out"
                size="small"
                :variant="o.on === data.from ? undefined : 'outlined'"
                :aria-label="`Go out: ${o.title}`"
                @click="router.push({ name: 'outing', params: { outingKey: o.key } })"
              />
            </li>
          </ol>
          <p>
            <a :href="`/api/gardens/${gardenId}/plan/calendar.ics`">Calendar file and feed</a>
            <span class="soft small"> It keeps its events when they move.</span>
          </p>
        </section>
        <section class="card" aria-labelledby="looks-head">
          <h2 id="looks-head">Looking</h2>
          <RotaLooks :rota="data" />
          <template v-if="data.notPlanned.length">
            <h2>Not planned, and why</h2>
            <ul class="list">
              <li v-for="n in data.notPlanned" :key="n.plantingId + n.target">
                <strong>{{ n.where }}</strong>, {{ inSentence(n.targetName) }}: {{ n.sentence }}
              </li>
            </ul>
          </template>
          <template v-if="data.choices.length">
            <h2>Your words</h2>
            <ul class="list">
              <li v-for="c in data.choices" :key="c.id">
                {{ c.words }}
                <Button
                  label="Let go"
                  size="small"
                  variant="text"
                  :aria-label="`Let go: ${c.words}`"
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
