<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api } from '@/api/client'
import { useGardenQuery } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import { inSentence, percent, volume } from '@/kit/format'
import SelectField from '@/kit/SelectField.vue'
import FieldError from '@/kit/FieldError.vue'
import { useDecide } from '../decide/useDecide'
import CurveChart from './CurveChart.vue'

/** Once, or three times? Schedules of one material played through in this garden's weather, before anything is sprayed. */
const route = useRoute()
const router = useRouter()
const one = (name: string) => {
  const value = route.query[name]
  return typeof value === 'string' ? value : ''
}
const planting = computed(() => one('planting'))
const target = computed(() => one('target'))
const recipe = computed(() => one('recipe') || undefined)
const own = computed(() => [route.query.days ?? []].flat().filter((d): d is string => d !== null))
const prune = computed(() => route.query.prune === 'true' || undefined)
const change = (more: Record<string, string | string[] | undefined>) =>
  router.replace({ query: { ...route.query, ...more } })

const { data, isPending, error, refetch } = useGardenQuery(
  computed(() => ['what-if', planting.value, target.value, recipe.value, own.value, prune.value]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/what-if', {
        params: {
          path: { gardenId },
          query: {
            planting: planting.value,
            target: target.value,
            recipe: recipe.value,
            days: own.value,
            prune: prune.value,
          },
        },
      }),
    ),
  computed(() => planting.value !== '' && target.value !== ''),
)
const names = computed(() =>
  (data.value?.curves ?? []).map(({ sprayDays: d }) => {
    if (d.length === 0) return 'nothing'
    if (d.length === 1) return d[0] === 0 ? 'once, today' : `once, day ${d[0]}`
    const gaps = d.slice(1).map((x, i) => x - (d[i] ?? 0))
    return gaps.every((g) => g === gaps[0]) ? `${d.length} times, ${gaps[0]} d apart` : `days ${d.join(', ')}`
  }),
)
const chosen = ref(2)
const chosenCurve = computed(() => Math.min(chosen.value, (data.value?.curves.length ?? 1) - 1))
const adoptable = computed(() => data.value?.curves[chosenCurve.value]?.sprayDays ?? [])
const { begin } = useDecide(planting)
async function adopt() {
  if (!data.value) return
  const course = {
    plantingId: planting.value,
    target: target.value,
    recipe: data.value.recipe,
    days: adoptable.value,
    step: 'gentle' as const,
  }
  if (await begin.mutateAsync(course).catch(() => null))
    await router.push({ name: 'decide', query: { planting: planting.value } })
}
const days = ref('')
async function add() {
  if (days.value.trim() === '') return
  await change({ days: [...own.value, days.value.replaceAll(' ', '')] })
  days.value = ''
  chosen.value = 3 + own.value.length
}
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>What if?</h1>
      <p v-if="data" class="soft">
        {{ data.targetName }} on {{ data.where }}, with {{ inSentence(data.materialName) }}
      </p>
    </div>
    <p v-if="!planting || !target" class="note">
      Name a trouble on a planting first; then its bench has a link that leads here.
    </p>
    <template v-else>
      <p v-if="error" class="note stop" role="alert">
        {{ error.message }}
        <Button
          v-if="own.length"
          label="Leave my own schedules out"
          size="small"
          variant="outlined"
          @click="change({ days: undefined })"
        />
        <RouterLink v-else :to="{ name: 'count', params: { plantingId: planting } }">Count here</RouterLink>
      </p>
      <AsyncState v-if="!data && !error" :pending="isPending" :error="error" :retry="refetch" />
      <template v-if="data">
        <SelectField
          :model-value="data.recipe"
          :options="data.recipes"
          label="With"
          show="material"
          take="recipe"
          @update:model-value="change({ recipe: $event })"
        />
        <label v-if="data.canPrune" class="tick"
          ><input type="checkbox" :checked="prune" @change="change({ prune: prune ? undefined : 'true' })" />
          The worst leaves come off first. <span class="soft">{{ data.prune }}</span></label
        >
        <section class="card">
          <CurveChart
            :curves="data.curves"
            :names="names"
            :chosen="chosenCurve"
            :from="data.from"
            :action-line="data.line"
          />
          <p class="soft small">
            Lines: the middle of 21 runs with this garden's forecast and different luck; the shade holds nine
            runs in ten of the chosen one. Circles: sprays. Everything here is a model's estimate, and
            counting again is what tells.
          </p>
        </section>
        <div class="table" role="region" aria-label="The schedules in figures" tabindex="0">
          <table>
            <thead>
              <tr>
                <th scope="col">schedule</th>
                <th scope="col">after five weeks, of the leaves</th>
                <th scope="col">on the mean</th>
                <th scope="col">value lost</th>
                <th scope="col">spray</th>
                <th scope="col">helpers left</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(c, i) in data.curves" :key="i" :class="{ chosen: i === chosen }">
                <th scope="row">
                  <button :aria-pressed="i === chosen" @click="chosen = i">{{ names[i] }}</button>
                </th>
                <td>
                  {{ percent(c.days.at(-1)?.middle ?? 0) }} ({{ percent(c.days.at(-1)?.low ?? 0) }} to
                  {{ percent(c.days.at(-1)?.high ?? 0) }})
                </td>
                <td>{{ percent(c.meanShare) }}</td>
                <td>{{ percent(c.loss) }}</td>
                <td>
                  {{
                    c.sprayDays.length
                      ? `${c.sprayDays.length === 1 ? 'once' : `${c.sprayDays.length} times`}, ${volume(c.litres)}`
                      : 'none'
                  }}
                </td>
                <td>{{ c.helpersLeft === null ? '–' : percent(c.helpersLeft) }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <form class="own" novalidate @submit.prevent="add">
          <div class="field">
            <label for="own-days">A schedule of your own: days from today</label>
            <InputText id="own-days" v-model="days" placeholder="0, 4, 8" />
          </div>
          <Button type="submit" label="Play it too" variant="outlined" />
        </form>
        <FieldError :problem="begin.error.value" />
        <div class="actions">
          <Button
            v-if="adoptable.length"
            :label="`Adopt it as the course: ${names[chosenCurve]}`"
            size="large"
            :loading="begin.isPending.value"
            @click="adopt"
          />
          <Button
            label="Mix the first round"
            size="large"
            variant="outlined"
            @click="router.push({ name: 'bench', query: { planting, target, recipe: data.recipe } })"
          />
        </div>
      </template>
    </template>
  </div>
</template>

<style scoped>
.tick {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}

.table {
  overflow-x: auto;
}

table {
  width: 100%;
  min-width: 600px;
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
}

th,
td {
  padding: 6px 12px 6px 0;
  border-top: 1px solid var(--line);
  text-align: left;
}

th button {
  min-height: 44px;
  padding: 4px 10px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}

.chosen th button {
  border: 2px solid var(--mauve);
  background: var(--mauve-soft);
}

.own {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
}
</style>
