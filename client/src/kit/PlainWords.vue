<script setup lang="ts">
import { tell } from '@/language'
import { computed, ref, useId } from 'vue'
import { inStretches } from './terms'

/** A text whose words of the trade explain themselves where they stand, at a tap or by Enter. */
const props = defineProps<{ text: string }>()
const id = useId()
const stretches = computed(() => inStretches(props.text))
/** The stretch whose meaning is shown: before and after, it is no part of the text. */
const opened = ref<number>()
</script>

<template>
  <template v-for="(s, i) in stretches" :key="i"
    ><template v-if="!s.means">{{ s.text }}</template
    ><template v-else
      ><button
        type="button"
        class="term"
        :aria-label="tell('terms.whatIs', { word: s.text })"
        :popovertarget="`${id}-${i}`"
      >
        {{ s.text }}</button
      ><span
        :id="`${id}-${i}`"
        class="means"
        popover
        @beforetoggle="(e) => (opened = (e as ToggleEvent).newState === 'open' ? i : undefined)"
        >{{ opened === i ? s.means : '' }}</span
      ></template
    ></template
  >
</template>

<style scoped>
.term {
  padding: 0;
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  text-decoration: underline dotted 1px;
  text-underline-offset: 3px;
  cursor: help;
}

/* Below the bar at the top: what is pressed most lies under the thumb, and nothing may cover that. */
.means {
  position: fixed;
  inset: 64px 16px auto;
  margin: 0 auto;
  max-width: 420px;
  padding: 14px 16px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--surface);
  color: var(--ink);
  font: 400 1rem/1.45 var(--text);
  white-space: normal;
}
</style>
