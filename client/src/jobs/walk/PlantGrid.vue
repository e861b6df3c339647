<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'

/** Plants by number: a tap makes each clean, then affected, then not looked at. */
const marks = defineModel<number[]>({ required: true })
const next = (i: number) => (marks.value[i] = ((marks.value[i] ?? 0) + 1) % 3)
const label = (mark: number, number: number) =>
  mark === 2
    ? tell('walk.plantAffected', { number })
    : mark === 1
      ? tell('walk.plantClean', { number })
      : tell('walk.plantNotLooked', { number })
const restClean = () => (marks.value = marks.value.map((m) => (m === 0 ? 1 : m)))
</script>

<template>
  <div class="plants">
    <button
      v-for="(mark, i) in marks"
      :key="i"
      :class="['', 'clean', 'affected'][mark]"
      :aria-label="label(mark, i + 1)"
      @click="next(i)"
    >
      <b>{{ i + 1 }}</b>
      <span aria-hidden="true">{{ ['', '✓', '✕'][mark] }}</span>
    </button>
  </div>
  <p class="soft small">{{ tell('walk.plantsHint') }}</p>
  <Button :label="tell('walk.restClean')" variant="outlined" @click="restClean" />
</template>

<style scoped>
.plants {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(64px, 1fr));
  gap: 8px;
}

.plants button {
  display: grid;
  place-items: center;
  min-height: 64px;
  border: 1px dashed var(--line);
  border-radius: 6px;
  background: var(--surface);
  color: var(--ink);
  cursor: pointer;
  touch-action: manipulation;
}

.plants .clean {
  background: var(--leaf-soft);
  border: 2px solid var(--leaf-line);
}

.plants .affected {
  background: var(--brick-soft);
  border: 2px solid var(--brick);
}

.plants span {
  min-height: 1.2em;
}
</style>
