<script setup lang="ts">
import { useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import TabRow from '@/kit/TabRow.vue'

/** One of the four rooms of the garden, with the way to the others and its name above; what is in it shows once the garden is known. */
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
      <TabRow label="Rooms of the garden" :links="rooms" />
      <div class="page-head">
        <h1>{{ garden.name }}</h1>
        <p class="soft">{{ garden.latitude }}, {{ garden.longitude }} · {{ garden.timeZoneId }}</p>
      </div>
      <slot :garden="garden" />
    </template>
  </div>
</template>
