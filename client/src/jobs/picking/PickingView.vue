<script setup lang="ts">
import { tell } from '@/language'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { keys, useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import PickRow from './PickRow.vue'

/** What may be picked today and what must wait; what was picked is weighed or counted. */
const { gardenId } = useGarden()
const { data, isPending, error, refetch } = useQuery({
  queryKey: computed(() => keys.of(gardenId.value, 'harvests')),
  queryFn: () =>
    answer(api.GET('/api/gardens/{gardenId}/harvests', { params: { path: { gardenId: gardenId.value } } })),
  enabled: computed(() => gardenId.value !== ''),
})
</script>

<template>
  <div class="page narrow">
    <div class="page-head">
      <h1>{{ tell('picking.picking') }}</h1>
      <p v-if="data" class="soft">{{ data.sentence }}</p>
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <ul v-else>
      <PickRow
        v-for="planting in data.plantings"
        :key="planting.plantingId"
        :planting="planting"
        :usual="data.unit"
      />
    </ul>
  </div>
</template>
