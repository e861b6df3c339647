<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import { day } from '@/kit/format'
import RecordsNav from '../ledger/RecordsNav.vue'
import { useTrials } from './useTrials'

const router = useRouter()
const { garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const { data, isPending, error, refetch } = useTrials()
</script>

<template>
  <div class="page">
    <RecordsNav />
    <div class="page-head">
      <h1>{{ tell('ledger.trials') }}</h1>
      <p class="soft">{{ tell('trials.twoToFiveSidesOne') }}</p>
    </div>
    <div class="actions">
      <Button :label="tell('trials.beginATrial')" @click="router.push({ name: 'new-trial' })" />
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <p v-else-if="data.length === 0" class="note">
      {{ tell('trials.noTrialYetSayYouWonder') }}
    </p>
    <ul v-else>
      <li v-for="t in data" :key="t.id">
        <RouterLink class="card" :to="{ name: 'trial', params: { trialId: t.id } }">
          <h2>{{ t.name }}</h2>
          <p class="soft">
            {{
              tell('trials.sidesUnitsSince', {
                targetName: t.targetName,
                sides: t.sides.length,
                units: t.units.length,
                openedAt: day(t.openedAt, zone),
              })
            }}
          </p>
          <p v-for="s in t.sides.filter((x) => x.recipe && x.verdict)" :key="s.number">
            <strong>{{ s.name }}</strong> {{ s.sentence }}
          </p>
          <p>{{ t.next }}</p>
        </RouterLink>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  display: grid;
  gap: 10px;
}

a.card {
  display: grid;
  gap: 4px;
  color: inherit;
  text-decoration: none;
}

a.card:hover {
  border-color: var(--mauve);
}
</style>
