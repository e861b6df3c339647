<script setup lang="ts">
import { tell } from '@/language'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import LeafDrawing from '@/drawings/LeafDrawing.vue'

const props = defineProps<{ signs: Schemas['Sign'][]; leaf: string; chosen: string[] }>()
defineEmits<{ toggle: [sign: string] }>()

const first = 7
const all = ref(false)
/** The most telling first; chosen ones are never hidden. */
const shown = computed(() =>
  props.signs.filter((s, i) => all.value || i < first || props.chosen.includes(s.id)),
)
</script>

<template>
  <div class="signs" role="group" :aria-label="tell('walk.signs')">
    <button
      v-for="s in shown"
      :key="s.id"
      :aria-pressed="chosen.includes(s.id)"
      @click="$emit('toggle', s.id)"
    >
      <LeafDrawing
        :leaf="leaf"
        :sign="s.drawing"
        :side="s.part === 'underside' ? 'under' : 'upper'"
        :size="44"
      />
      <span>{{ s.name }}</span>
    </button>
    <button v-if="!all && signs.length > shown.length" class="more" @click="all = true">
      <b>+ {{ signs.length - shown.length }}</b>
      <span>{{ tell('walk.more') }}</span>
    </button>
  </div>
</template>

<style scoped>
.signs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(84px, 1fr));
  gap: 8px;
}

button {
  display: grid;
  justify-items: center;
  align-content: center;
  gap: 4px;
  min-height: 96px;
  padding: 6px 2px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font-size: 0.88rem;
  line-height: 1.15;
  cursor: pointer;
}

button[aria-pressed='true'] {
  background: var(--mauve-soft);
  border: 2px solid var(--mauve);
  font-weight: 700;
}

.more b {
  font: 700 1.2rem var(--heading);
}
</style>
