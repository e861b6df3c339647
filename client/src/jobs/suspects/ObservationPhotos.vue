<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'

/** Photos kept with an observation. */
const props = defineProps<{ observationId: string }>()
const { gardenId, memberId } = useGarden()
const { data } = useGardenQuery(
  computed(() => ['photos', props.observationId]),
  (id) =>
    answer(
      api.GET('/api/gardens/{gardenId}/observations/{observationId}/photos', {
        params: { path: { gardenId: id, observationId: props.observationId } },
      }),
    ),
)
const removing = useGardenWrite((id, photoId: string) =>
  answer(
    api.DELETE('/api/gardens/{gardenId}/photos/{photoId}', {
      params: { path: { gardenId: id, photoId }, query: { memberId: memberId.value ?? undefined } },
    }),
  ),
)
const address = (photoId: string) => `/api/gardens/${gardenId.value}/photos/${photoId}`
</script>

<template>
  <ul v-if="data && data.length > 0" class="photos" :aria-label="tell('suspects.photos')">
    <li v-for="(photo, i) in data" :key="photo.id">
      <a :href="address(photo.id)" target="_blank" rel="noopener"
        ><img :src="`${address(photo.id)}/small`" :alt="tell('suspects.photoOpenItLarge', { it: i + 1 })"
      /></a>
      <button :aria-label="tell('suspects.removePhoto', { it: i + 1 })" @click="removing.mutate(photo.id)">
        {{ tell('suspects.remove') }}
      </button>
    </li>
  </ul>
</template>

<style scoped>
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}

li {
  display: grid;
  gap: 2px;
}

img {
  display: block;
  width: 150px;
  height: 112px;
  object-fit: cover;
  border-radius: var(--radius);
}

button {
  min-height: 36px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  cursor: pointer;
}
</style>
