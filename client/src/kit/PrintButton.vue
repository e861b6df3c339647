<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'

/** Puts the page on paper, where it is not itself. Size and look are given as to any button. */
withDefaults(defineProps<{ label?: string }>(), { label: tell('kit.print') })
const print = () => window.print()
</script>

<template>
  <Button class="no-print" :label="label" @click="print" />
</template>
