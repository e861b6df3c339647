<script setup lang="ts">
import TabRow from '@/kit/TabRow.vue'

/** The four ways to look back: all of it, by trial, by what was learned, by season. */
const links = [
  { name: 'ledger', label: 'Everything done' },
  { name: 'trials', label: 'Trials' },
  { name: 'learned', label: 'What it taught' },
  { name: 'almanac', label: 'Almanac' },
]
</script>

<template>
  <TabRow label="Records" :links="links" />
</template>
