<script setup lang="ts">
import { tell } from '@/language'
import TabRow from '@/kit/TabRow.vue'

/** The four ways to look back: all of it, by trial, by what was learned, by season. */
const links = [
  { name: 'ledger', label: tell('ledger.everythingDone') },
  { name: 'trials', label: tell('ledger.trials') },
  { name: 'learned', label: tell('ledger.whatItTaught') },
  { name: 'almanac', label: tell('ledger.almanac') },
]
</script>

<template>
  <TabRow :label="tell('ledger.records')" :links="links" />
</template>
