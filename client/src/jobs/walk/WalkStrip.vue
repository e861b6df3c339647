<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import { useWalk } from './useWalk'

/** Where the round stands, above a count: how far, the way back to the list, and past this place. */
const props = defineProps<{ plantingId: string }>()
const emit = defineEmits<{ next: [] }>()
const { walkId, stops, placesDone, skip, skipped } = useWalk()
const place = computed(() =>
  stops.value.find((s) => s.plantings.some((p) => p.plantingId === props.plantingId)),
)

async function skipHere() {
  if (!place.value) return
  await skip(place.value.placeId)
  emit('next')
}
</script>

<template>
  <p v-if="walkId" class="strip">
    <RouterLink :to="{ name: 'walk' }">{{
      tell('walk.walkOfPlaces', { placesDone, stops: stops.length })
    }}</RouterLink>
    <button v-if="place && !skipped.has(place.placeId)" @click="skipHere">
      {{ tell('walk.skip', { place: place.place }) }}
    </button>
  </p>
</template>

<style scoped>
.strip {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
}

.strip > * {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}

button {
  padding: 0 14px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  cursor: pointer;
}
</style>
