<script setup lang="ts">
import { useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'

/** The garden in four rooms, with its name above; what is in a room shows once the garden is known. */
const { garden, query } = useGarden()
const rooms = [
  { name: 'garden', label: 'Places and plantings' },
  { name: 'garden-ways', label: 'How we garden' },
  { name: 'garden-household', label: 'Household and tools' },
  { name: 'garden-app', label: 'This Mauvaise' },
]
</script>

<template>
  <div class="page">
    <AsyncState
      v-if="!garden"
      :pending="query.isPending.value"
      :error="query.error.value"
      :retry="query.refetch"
    />
    <template v-else>
      <nav aria-label="Rooms of the garden">
        <RouterLink v-for="room in rooms" :key="room.name" :to="{ name: room.name }">{{
          room.label
        }}</RouterLink>
      </nav>
      <div class="page-head">
        <h1>{{ garden.name }}</h1>
        <p class="soft">{{ garden.latitude }}, {{ garden.longitude }} · {{ garden.timeZoneId }}</p>
      </div>
      <slot :garden="garden" />
    </template>
  </div>
</template>

<style scoped>
nav {
  display: flex;
  flex-wrap: wrap;
  gap: 0 4px;
  border-bottom: 1px solid var(--line);
}

a {
  min-height: 44px;
  padding: 10px 12px;
  border-bottom: 3px solid transparent;
  color: var(--ink-soft);
  text-decoration: none;
}

.router-link-exact-active {
  border-color: var(--mauve);
  color: var(--ink);
  font-weight: 600;
}
</style>
