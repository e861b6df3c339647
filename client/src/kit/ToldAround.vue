<script setup lang="ts">
import { computed } from 'vue'

/**
 * A whole sentence with something of the page in it, as a link: it is told with a mark in that hole, and the slot stands where the mark is. So
 * each language puts it where it belongs.
 */
const props = defineProps<{ sentence: (mark: string) => string }>()
const mark = '\u0001'
const parts = computed(() => props.sentence(mark).split(mark))
</script>

<template>{{ parts[0] }}<slot />{{ parts[1] }}</template>
