<script setup lang="ts">
import Button from 'primevue/button'

/** Puts the page on paper, where it is not itself. Size and look are given as to any button. */
withDefaults(defineProps<{ label?: string }>(), { label: 'Print' })
const print = () => window.print()
</script>

<template>
  <Button class="no-print" :label="label" @click="print" />
</template>
