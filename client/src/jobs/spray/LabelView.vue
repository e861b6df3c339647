<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { useGarden, useGardenQuery } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import PrintButton from '@/kit/PrintButton.vue'
import { usePaper } from '@/kit/usePaper'
import BottleLabel from './BottleLabel.vue'

/** The bottle's label alone on its paper. */
const props = defineProps<{ batchId: string }>()
const { garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const {
  data: batch,
  isPending,
  error,
} = useGardenQuery(
  computed(() => ['batch', props.batchId]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/batches/{batchId}', {
        params: { path: { gardenId, batchId: props.batchId } },
      }),
    ),
)
usePaper('90mm 60mm', '0')
</script>

<template>
  <div class="page narrow paper">
    <div class="page-head no-print">
      <h1>{{ tell('spray.bottleLabel') }}</h1>
      <p class="soft">{{ tell('spray.90By60MmPrint') }}</p>
    </div>
    <AsyncState v-if="!batch" :pending="isPending" :error="error" />
    <template v-else>
      <BottleLabel :batch="batch" :zone="zone" />
      <div class="actions no-print">
        <PrintButton size="large" />
        <RouterLink :to="{ name: 'spray', params: { batchId } }">{{
          tell('spray.backToTheBottle')
        }}</RouterLink>
      </div>
    </template>
  </div>
</template>
