<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed } from 'vue'
import { answer, api } from '@/api/client'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'
import { dayAndClock, inSentence } from '@/kit/format'

/** Bottles with something in them: to be used up on another bed, or poured away. */
const props = defineProps<{
  /** Bottles that are told of elsewhere on the screen. */
  except?: string[]
}>()
const { garden, memberId } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const { data } = useGardenQuery(['left'], (gardenId) =>
  answer(api.GET('/api/gardens/{gardenId}/batches/left', { params: { path: { gardenId } } })),
)
const left = computed(() => data.value?.filter((l) => !props.except?.includes(l.batch.id)))
const pouring = useGardenWrite((gardenId, batchId: string) =>
  answer(
    api.POST('/api/gardens/{gardenId}/batches/{batchId}/empty', {
      params: { path: { gardenId, batchId } },
      body: { memberId: memberId.value },
    }),
  ),
)
</script>

<template>
  <ul v-if="left?.length" class="left" :aria-label="tell('bench.bottlesWithSomethingLeft')">
    <li v-for="l in left" :key="l.batch.id" class="note" :class="l.past ? 'caution' : 'good'">
      <p>
        <strong>{{
          tell('bench.ofLeft', { amountLeft: l.batch.amountLeft, recipeName: inSentence(l.batch.recipeName) })
        }}</strong>
        {{
          l.past
            ? tell('bench.fromWasGoodUntil', {
                for: l.batch.for.join(', '),
                dayAndClock: dayAndClock(l.batch.useBy, zone),
                advice: l.advice,
              })
            : tell('bench.fromGoodUntil', {
                for: l.batch.for.join(', '),
                dayAndClock: dayAndClock(l.batch.useBy, zone),
                advice: l.advice,
              })
        }}
      </p>
      <div class="actions">
        <RouterLink
          v-if="!l.past"
          class="p-button p-component p-button-sm p-button-outlined"
          :to="{ name: 'spray', params: { batchId: l.batch.id } }"
          >{{ tell('bench.logWhereItWent') }}</RouterLink
        >
        <Button
          :label="tell('bench.pouredAway')"
          size="small"
          variant="outlined"
          @click="pouring.mutate(l.batch.id)"
        />
      </div>
    </li>
  </ul>
</template>

<style scoped>
.left {
  display: grid;
  gap: 8px;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
}

p {
  flex: 1 1 320px;
}

a {
  text-decoration: none;
}
</style>
