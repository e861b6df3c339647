<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import { useGardenQuery } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import PrintButton from '@/kit/PrintButton.vue'

/** Labels for the units, and the sheet for whoever treats them. On a blind trial the labels carry a number only. */
const props = defineProps<{ trialId: string }>()
const { data, isPending, error, refetch } = useGardenQuery(
  computed(() => ['trial-sheet', props.trialId]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/trials/{trialId}/sheet', {
        params: { path: { gardenId, trialId: props.trialId } },
      }),
    ),
)
const open = ref(false)
const units = computed(() =>
  (data.value?.sides ?? [])
    .flatMap((s) => s.units.map((u) => ({ ...u, letter: s.letter })))
    .sort((a, b) => a.number - b.number),
)
</script>

<template>
  <div class="page paper">
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <div class="page-head">
        <h1>{{ data.name }}</h1>
        <PrintButton variant="outlined" />
        <RouterLink class="no-print" :to="{ name: 'trial', params: { trialId } }">{{
          tell('trials.toTheTrial')
        }}</RouterLink>
      </div>
      <h2>{{ tell('trials.labels') }}</h2>
      <ul class="labels" :aria-label="tell('trials.labels')">
        <li v-for="u in units" :key="u.number">
          <strong>{{ u.number }}</strong>
          <span v-if="!data.blind">{{ u.letter }}</span>
          <small>{{ u.where }}</small>
        </li>
      </ul>
      <h2>{{ tell('trials.forWhoeverTreats') }}</h2>
      <p v-if="data.blind && !open" class="note no-print">
        {{ tell('trials.whoeverCountsShouldNotReadThis') }}
        <Button
          :label="tell('trials.showWhichUnitGetsWhat')"
          size="small"
          variant="text"
          @click="open = true"
        />
      </p>
      <table v-if="!data.blind || open">
        <tbody>
          <tr v-for="s in data.sides" :key="s.letter">
            <th scope="row">{{ s.letter }}: {{ s.name }}</th>
            <td>{{ s.units.map((u) => u.number).join(', ') }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </div>
</template>

<style scoped>
.labels {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
  gap: 6px;
}

.labels li {
  display: grid;
  grid-template-columns: auto 1fr;
  align-items: baseline;
  gap: 0 8px;
  padding: 8px 10px;
  border: 1px dashed var(--ink-soft);
  break-inside: avoid;
}

.labels strong {
  font: 700 1.6rem var(--heading);
}

.labels span {
  font: 700 1.2rem var(--heading);
  text-align: right;
}

.labels small {
  grid-column: 1 / -1;
}

th {
  text-align: left;
  vertical-align: top;
  padding: 6px 14px 6px 0;
}

td {
  padding: 6px 0;
}
</style>
