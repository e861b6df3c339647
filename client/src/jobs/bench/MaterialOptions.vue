<script setup lang="ts">
import { tell } from '@/language'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { sentences } from '@/garden/words'

const props = defineProps<{ options: Schemas['OptionAnswer'][]; chosen: string }>()
defineEmits<{ choose: [recipe: string] }>()

/** The best that may go on stand open, with the chosen one; the rest waits. */
const best = 3
const all = ref(false)
const shown = computed(() =>
  props.options.filter((o, i) => all.value || (o.allowed && i < best) || o.recipe === props.chosen),
)
const hidden = computed(() => props.options.filter((o) => !shown.value.includes(o)))
const notNow = computed(() => hidden.value.filter((o) => !o.allowed).length)
</script>

<template>
  <div class="options" role="group" :aria-label="tell('bench.materialsThatWork')">
    <button
      v-for="o in shown"
      :key="o.recipe"
      :aria-pressed="o.recipe === chosen"
      :disabled="!o.allowed"
      @click="$emit('choose', o.recipe)"
    >
      <svg width="26" height="26" aria-hidden="true">
        <rect
          x="1"
          y="1"
          width="24"
          height="24"
          rx="3"
          :fill="`url(#hatch-${o.hatch})`"
          stroke="currentColor"
        />
      </svg>
      <span>
        <strong>{{ o.material }}</strong>
        <span class="small">{{ o.inShort }}</span>
      </span>
    </button>
    <button v-if="hidden.length > 0" class="more" @click="all = true">
      <strong>{{
        hidden.length === 1
          ? tell('bench.moreMaterial', { hidden: hidden.length })
          : tell('bench.moreMaterials', { hidden: hidden.length })
      }}</strong>
      <span v-if="notNow > 0" class="small">{{ tell('bench.ofThemNotNow', { notNow }) }}</span>
    </button>
  </div>
  <details>
    <summary>{{ tell('bench.whyThese') }}</summary>
    <dl>
      <template v-for="o in shown" :key="o.recipe">
        <dt>{{ o.material }}</dt>
        <dd class="soft">{{ sentences(o.reasons) }}</dd>
      </template>
    </dl>
  </details>
</template>

<style scoped>
.options {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 8px;
}

summary {
  min-height: 32px;
  color: var(--mauve-deep);
}

dl {
  margin: 0;
}

dt {
  font-weight: 600;
}

dd {
  margin: 0 0 6px;
}

button {
  display: grid;
  grid-template-columns: 30px 1fr;
  gap: 8px;
  align-items: center;
  min-height: 60px;
  padding: 8px 10px;
  text-align: left;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  line-height: 1.25;
  cursor: pointer;
}

button[aria-pressed='true'] {
  border: 2px solid var(--mauve);
  background: var(--mauve-soft);
}

button:disabled {
  color: var(--ink-soft);
  background: var(--paper);
  cursor: default;
}

button.more {
  grid-template-columns: 1fr;
  align-content: center;
  gap: 0;
  background: none;
}

button > span {
  display: grid;
}
</style>
