<script setup lang="ts">
import PlainWords from '@/kit/PlainWords.vue'
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter, type RouteLocationRaw } from 'vue-router'
import type { Schemas } from '@/api/client'
import NothingPlanted from '@/garden/NothingPlanted.vue'
import { useGarden } from '@/garden/useGarden'
import LeftoverBottles from '@/jobs/bench/LeftoverBottles.vue'
import DrawnLater from '@/kit/DrawnLater.vue'
import { clock } from '@/kit/format'

const props = defineProps<{ evening: Schemas['EveningAnswer']; timeZone: string }>()
const router = useRouter()

type Deed = Schemas['DeedAnswer']

/** The screen on which a deed is done; null when it is done in the bed alone. */
function screen(deed: Deed): { to: RouteLocationRaw; label: string } {
  if (deed.checkBackId)
    return {
      to: { name: 'check-back', params: { checkBackId: deed.checkBackId } },
      label: tell('board.countAgain'),
    }
  if (deed.batchId)
    return {
      to: { name: 'spray', params: { batchId: deed.batchId } },
      label: tell('board.logItWhenItIsSprayed'),
    }
  if (deed.tank) {
    const { recipe, target } = deed.tank
    const patch = deed.kind === 'patchTest' ? 'true' : undefined
    return {
      to: { name: 'bench', query: { planting: deed.plantingIds, target, recipe, patch } },
      label: tell('board.mixIt'),
    }
  }
  if (deed.kind === 'strain') return { to: { name: 'shelf' }, label: tell('board.toTheShelf') }
  if (deed.kind === 'prevent') return { to: { name: 'before' }, label: tell('board.keepTroubleOff') }
  if (deed.kind === 'walk')
    return { to: { name: 'walk', query: { planting: deed.plantingIds } }, label: tell('board.startTheWalk') }
  return {
    to: {
      name: 'decide',
      query: { planting: deed.plantingIds.length === 1 ? deed.plantingIds[0] : undefined },
    },
    label: tell('board.decide'),
  }
}

const { plantings } = useGarden()
const planted = computed(() => plantings.value.length > 0)
const first = computed(() => props.evening.deeds[0])
/** What the first button does, and where. */
const firstDeed = computed(() => {
  if (!first.value) return ''
  const ids = first.value.plantingIds
  const places = new Set(plantings.value.filter((p) => ids.includes(p.id)).map((p) => p.place.name))
  const where =
    places.size === 1 ? [...places][0] : places.size > 1 ? tell('board.places', { size: places.size }) : ''
  return where ? `${screen(first.value).label}: ${where}` : screen(first.value).label
})
const spray = computed(() => props.evening.deeds.find((d) => d.tank))
const hours = computed(() => {
  const window = props.evening.window
  return window ? `${clock(window.start, props.timeZone)} – ${clock(window.end, props.timeZone)}` : null
})
const count = computed(() =>
  props.evening.deeds.length === 1
    ? tell('board.oneThingToDo')
    : tell('board.thingsToDoInOrder', { deeds: props.evening.deeds.length }),
)
</script>

<template>
  <section class="evening" aria-labelledby="evening-head">
    <h2 id="evening-head">{{ tell('board.thisEvening') }}</h2>
    <p v-if="planted" class="soft">
      {{ evening.deeds.length ? count : tell('board.nothingIsDueEnjoyTheGarden') }}
    </p>
    <NothingPlanted v-else />
    <div
      v-if="spray"
      class="note"
      :class="evening.window ? (evening.window.verdict === 'good' ? 'good' : 'caution') : 'stop'"
    >
      <p v-if="hours" class="hours">{{ hours }}</p>
      <p>{{ evening.windowSentence }}</p>
      <RouterLink
        :to="{ name: 'hours', query: { planting: spray.plantingIds, material: spray.tank?.material } }"
      >
        {{ tell('board.whyTheseHours') }}
      </RouterLink>
    </div>
    <div v-if="first" class="deed-at-hand">
      <Button :label="firstDeed" fluid size="large" @click="router.push(screen(first).to)" />
    </div>
    <ol>
      <li v-for="(deed, i) in evening.deeds" :key="deed.title">
        <span class="number" aria-hidden="true">{{ i + 1 }}</span>
        <div>
          <h3>
            <RouterLink :to="screen(deed).to">{{ deed.title }}</RouterLink>
          </h3>
          <p class="soft">{{ deed.detail }}</p>
          <details>
            <summary>{{ tell('board.why') }}</summary>
            <DrawnLater>
              <ul>
                <li v-for="r in deed.reasons" :key="r.sentence"><PlainWords :text="r.sentence" /></li>
              </ul>
            </DrawnLater>
          </details>
        </div>
      </li>
    </ol>
    <LeftoverBottles :except="evening.deeds.flatMap((d) => d.batchId ?? [])" />
    <RouterLink v-if="evening.outingKey" :to="{ name: 'outing', params: { outingKey: evening.outingKey } }">{{
      tell('board.goOutWithItStep')
    }}</RouterLink>
    <template v-if="evening.leftAlone.length">
      <h3 class="left">{{ tell('board.leftAloneAndWhy') }}</h3>
      <DrawnLater>
        <ul class="soft small">
          <li v-for="left in evening.leftAlone" :key="left.plantingId">{{ left.sentence }}</li>
        </ul>
      </DrawnLater>
    </template>
  </section>
</template>

<style scoped>
.evening {
  padding: 18px 18px 90px;
  background: var(--surface);
  border-left: 1px solid var(--line);
  display: grid;
  gap: 12px;
  align-content: start;
}

li p {
  font-size: 0.95rem;
  line-height: 1.35;
}

.hours {
  font: 700 1.7rem/1.1 var(--heading);
  color: inherit;
}

.note a {
  color: inherit;
}

ol > li {
  display: grid;
  grid-template-columns: 28px 1fr;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}

.number {
  font: 700 1.15rem var(--heading);
  color: var(--mauve-deep);
}

h3 a {
  color: var(--ink);
  text-decoration: none;
}

h3 a:hover {
  text-decoration: underline;
}

details {
  font-size: 0.9rem;
}

summary {
  color: var(--mauve-deep);
  padding: 4px 0;
}

details li {
  padding: 2px 0;
}

.left {
  border-top: 1px solid var(--line);
  padding-top: 14px;
}

.left + ul li {
  padding: 3px 0;
}
</style>
