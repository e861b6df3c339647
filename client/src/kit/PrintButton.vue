<script setup lang="ts">
import Button from 'primevue/button'

/** Puts the page on paper: whatever is pressed on it stays off. */
defineProps<{ label: string }>()
const print = () => window.print()
</script>

<template>
  <Button class="no-print" :label="label" size="small" variant="text" @click="print" />
</template>
