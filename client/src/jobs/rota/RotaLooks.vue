<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { civilDay, inSentence } from '@/kit/format'

/** Check-backs and walks day by day, what is alike on one line. */
const props = defineProps<{ rota: Schemas['RotaAnswer'] }>()
const mostPlaces = 4
const named = (where: readonly string[]) => {
  const listed = where.slice(0, mostPlaces).join(', ')
  return where.length > mostPlaces
    ? tell('rota.andMore', { listed, where: where.length - mostPlaces })
    : listed
}
const days = computed(() => {
  const byDay = new Map<string, Map<string, string[]>>()
  const add = (on: string, what: string, where: string[]) => {
    const day = byDay.get(on) ?? new Map<string, string[]>()
    day.set(what, [...(day.get(what) ?? []), ...where])
    byDay.set(on, day)
  }
  for (const walk of props.rota.walks) add(walk.on, inSentence(tell('walk.walk')), walk.where)
  for (const visit of props.rota.visits) add(visit.on, inSentence(visit.what), [visit.where])
  return [...byDay]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([on, looks]) => ({
      on,
      looks: [...looks].map(([what, where]) => ({
        what,
        where: named(where),
      })),
    }))
})
</script>

<template>
  <ol>
    <li v-for="day in days" :key="day.on">
      <strong>{{ civilDay(day.on) }}</strong>
      <div>
        <p v-for="look in day.looks" :key="look.what">
          {{ look.what }}: <span class="soft">{{ look.where }}</span>
        </p>
      </div>
    </li>
  </ol>
  <p v-if="days.length === 0" class="soft">{{ tell('rota.nothingToLook') }}</p>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: 8px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
}
</style>
