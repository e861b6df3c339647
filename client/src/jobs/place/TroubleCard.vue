<script setup lang="ts">
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
      <h3>{{ trouble.name }}</h3>
      <p class="soft small">
        on {{ inSentence(trouble.cropName) }},
        {{
          trouble.foundOn
            ? `last found ${civilDay(trouble.foundOn)}`
            : `${percent(trouble.share)} of what is likely here`
        }}
      </p>
    </header>
    <p v-if="now">
      <strong>{{ Math.round(now.value * 100) }} of 100 today</strong>: {{ now.sentence }}.
      <span v-if="ahead && ahead.value > now.value + 0.05" class="soft"
        >Up to {{ Math.round(ahead.value * 100) }} on {{ civilDay(ahead.day) }}: {{ ahead.sentence }}.</span
      >
    </p>
    <p v-else class="soft">No weather is known for today.</p>
    <PressureChart v-if="trouble.pressure.length > 1" :trouble="trouble" :today="today" />
    <ul v-if="coming.length > 0" class="turns">
      <li v-for="s in coming" :key="s.sentence">{{ s.sentence }}</li>
    </ul>
    <p v-if="trouble.generations !== null" class="soft small">
      Warmth for {{ trouble.generations.toFixed(1) }} generations since it was found.
    </p>
    <p v-if="trouble.nights.length > 0" class="small">
      {{ recentNights }} infection {{ recentNights === 1 ? 'night' : 'nights' }} in 30 days<template
        v-if="nightsAhead.length > 0"
        >, next {{ civilDay(nightsAhead[0]?.day ?? today) }}</template
      >.
    </p>
    <p class="soft small">{{ trouble.season.sentence }}</p>
    <p v-if="trouble.season.past.length > 0" class="soft small">
      First seen:
      {{
        trouble.season.past
          .map(
            (f) =>
              `${f.year} ${civilDay(f.day).slice(4)}${f.degreeDays === null ? '' : ` at ${told('degreeDays', f.degreeDays)}`}`,
          )
          .join(' · ')
      }}.
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
