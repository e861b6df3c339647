<script setup lang="ts">
import { figure, tell, remarked } from '@/language'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { civilDay, inSentence, percent } from '@/kit/format'
import { told } from '@/kit/household'
import PressureChart from './PressureChart.vue'

/** One trouble at a place: how the weather favours it, when it turns, when it comes in the year. */
const props = defineProps<{ trouble: Schemas['TroubleAnswer']; today: string }>()

const now = computed(() => props.trouble.pressure.find((p) => p.day === props.today))
const ahead = computed(() => {
  const future = props.trouble.pressure.filter((p) => p.day > props.today)
  return future.length > 0 ? future.reduce((a, b) => (b.value > a.value ? b : a)) : undefined
})
const coming = computed(() => props.trouble.stages.filter((s) => s.day >= props.today).slice(0, 3))
const recentNights = computed(() => props.trouble.nights.filter((n) => n.day <= props.today).length)
const nightsAhead = computed(() => props.trouble.nights.filter((n) => n.day > props.today))
</script>

<template>
  <article class="card">
    <header>
      <h2>{{ trouble.name }}</h2>
      <p class="soft small">
        {{
          trouble.foundOn
            ? tell('place.onLastFound', {
                cropName: inSentence(trouble.cropName),
                foundOn: civilDay(trouble.foundOn),
              })
            : tell('place.onOfWhatIsLikelyHere', {
                cropName: inSentence(trouble.cropName),
                share: percent(trouble.share),
              })
        }}
      </p>
    </header>
    <p v-if="now">
      <strong>{{ tell('place.of100Today', { now: Math.round(now.value * 100) }) }}</strong>:
      {{ now.sentence }}.
      <span v-if="ahead && ahead.value > now.value + 0.05" class="soft">{{
        tell('place.upTo', {
          ahead: Math.round(ahead.value * 100),
          day: civilDay(ahead.day),
          sentence: ahead.sentence,
        })
      }}</span>
    </p>
    <p v-else class="soft">{{ tell('place.noWeatherIsKnownForToday') }}</p>
    <PressureChart v-if="trouble.pressure.length > 1" :trouble="trouble" :today="today" />
    <ul v-if="coming.length > 0" class="turns">
      <li v-for="s in coming" :key="s.sentence">{{ s.sentence }}</li>
    </ul>
    <p v-if="trouble.generations !== null" class="soft small">
      {{ tell('place.warmthForGenerationsSince', { generations: figure(trouble.generations, 1, true) }) }}
    </p>
    <p v-if="trouble.nights.length > 0" class="small">
      {{
        remarked(
          recentNights === 1
            ? tell('place.infectionNightIn30Days', { recentNights })
            : tell('place.infectionNightsIn30Days', { recentNights }),
          nightsAhead.length > 0 && tell('place.next', { day: civilDay(nightsAhead[0]?.day ?? today) }),
        )
      }}.
    </p>
    <p class="soft small">{{ trouble.season.sentence }}</p>
    <p v-if="trouble.season.past.length > 0" class="soft small">
      {{
        tell('place.firstSeen', {
          past: trouble.season.past
            .map((f) =>
              f.degreeDays === null
                ? `${f.year} ${civilDay(f.day).slice(4)}`
                : tell('place.at', {
                    day: `${f.year} ${civilDay(f.day).slice(4)}`,
                    degreeDays: told('degreeDays', f.degreeDays),
                  }),
            )
            .join(' · '),
        })
      }}
    </p>
  </article>
</template>

<style scoped>
article {
  display: grid;
  gap: 8px;
  align-content: start;
  min-width: 0;
}

.turns {
  display: grid;
  gap: 2px;
}
</style>
