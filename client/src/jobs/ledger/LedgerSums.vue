<script setup lang="ts">
import { tell } from '@/language'
import { money } from '@/kit/format'
import type { Schemas } from '@/api/client'

/** What the shown stretch comes to. */
defineProps<{ totals: Schemas['LedgerTotalsAnswer'] }>()
</script>

<template>
  <section class="card sums" :aria-label="tell('ledger.totals')">
    <p>
      <strong class="big">{{ totals.sprays }}</strong>
      {{ totals.sprays === 1 ? tell('garden.spray') : tell('decide.sprays') }}
    </p>
    <p>
      <strong class="big">{{ totals.litresText }}</strong> {{ tell('ledger.ofSpray') }}
    </p>
    <p>
      <strong class="big">{{ totals.cost === null ? '–' : money(totals.cost) }}</strong>
      {{ tell('ledger.spent') }}
      <span class="soft small">{{ totals.costSentence }}</span>
    </p>
    <div v-if="totals.groups.length" class="groups">
      <p class="soft small">{{ tell('ledger.roundsByGroup') }}</p>
      <ul>
        <li v-for="g in totals.groups" :key="g.group">
          <svg width="14" height="14" aria-hidden="true">
            <rect width="14" height="14" :fill="`url(#hatch-${g.hatch})`" stroke="currentColor" />
          </svg>
          {{ g.name }} {{ g.rounds }}
        </li>
      </ul>
    </div>
    <div v-if="totals.salt.length" class="groups">
      <p class="soft small">
        {{ tell('ledger.saltRoundsOfBicarbonateASeason', { most: totals.salt[0]?.most }) }}
      </p>
      <ul>
        <li v-for="s in totals.salt" :key="s.placeId" :class="{ much: s.rounds >= s.most }">
          {{ s.place }} {{ s.rounds }}
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.sums {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 28px;
  align-items: baseline;
}

.big {
  font: 700 1.5rem var(--heading);
}

.sums > p .small {
  display: block;
}

.groups ul {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}

.groups li {
  display: flex;
  align-items: center;
  gap: 5px;
}

.much {
  color: var(--brick-ink);
  font-weight: 600;
}
</style>
