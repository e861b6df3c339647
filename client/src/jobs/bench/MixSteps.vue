<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import SpoonDrawing from '@/drawings/SpoonDrawing.vue'

/** The order of mixing, to tick off with wet hands. */
const props = defineProps<{ steps: Schemas['StepAnswer'][] }>()
const done = ref<boolean[]>([])
watch(
  () => props.steps.map((s) => `${s.title} ${s.measure}`).join(),
  () => (done.value = props.steps.map(() => false)),
  { immediate: true },
)
</script>

<template>
  <ol>
    <li v-for="(s, i) in steps" :key="i" :class="{ done: done[i] }">
      <label>
        <input v-model="done[i]" type="checkbox" />
        <span class="tick" aria-hidden="true">{{ done[i] ? '✓' : i + 1 }}</span>
        <span class="what">
          <strong>{{ s.title }}</strong>
          <span v-if="s.detail" class="soft">{{ s.detail }}</span>
        </span>
        <SpoonDrawing v-if="s.scoops.length" class="spoons" :scoops="s.scoops" />
        <span v-if="s.measure" class="measure">
          <b>{{ s.measure }}</b>
          <span v-if="s.exact" class="soft">{{ s.exact }}</span>
        </span>
      </label>
    </li>
  </ol>
</template>

<style scoped>
ol {
  margin-top: 8px;
}

li {
  border-top: 1px solid var(--line);
}

label {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr);
  grid-auto-columns: auto;
  grid-auto-flow: column;
  gap: 10px;
  align-items: center;
  min-height: 66px;
  padding: 8px 0;
  cursor: pointer;
}

input {
  position: absolute;
  opacity: 0;
}

.tick {
  display: grid;
  place-items: center;
  width: 32px;
  height: 32px;
  border: 1.5px solid var(--mauve);
  border-radius: 50%;
  font: 700 1.05rem var(--heading);
  color: var(--mauve-deep);
}

input:focus-visible + .tick {
  outline: 3px solid var(--mauve);
  outline-offset: 2px;
}

.done .tick {
  background: var(--mauve);
  color: var(--on-mauve);
}

.done strong {
  text-decoration: line-through;
}

.what,
.measure {
  display: grid;
}

.measure {
  justify-items: end;
  text-align: right;
}

b {
  font: 700 1.5rem/1.15 var(--heading);
}

@media (max-width: 640px) {
  .spoons {
    display: none;
  }

  b {
    font-size: 1.25rem;
  }
}
</style>
