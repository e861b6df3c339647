<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import { counted } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import { clock } from '@/kit/format'
import { useKept } from '@/kit/useKept'

/** Beds that two counted on one round: two looks, or one of both. */
const props = defineProps<{ twice: Schemas['TwiceAnswer'][]; zone: string }>()
const { memberId } = useGarden()
/** Second looks that somebody here wants to stand by themselves. */
const apart = useKept<string[]>('mauvaise-looks-apart', [])
const asked = computed(() => props.twice.filter((t) => !apart.value.includes(t.second.id)))
const together = useGardenWrite((gardenId, { first, second }: Schemas['TwiceAnswer']) =>
  answer(
    api.POST('/api/gardens/{gardenId}/looks/{lookId}/together/{otherId}', {
      params: { path: { gardenId, lookId: first.id, otherId: second.id } },
      body: { memberId: memberId.value },
    }),
  ),
)
</script>

<template>
  <section v-if="asked.length > 0" class="note" aria-labelledby="counted-twice">
    <h2 id="counted-twice">{{ tell('walk.countedByTwo') }}</h2>
    <div v-for="t in asked" :key="t.second.id" class="pair">
      <p>
        {{
          tell('walk.countedTwice', {
            where: t.first.where,
            first: counted(t.first),
            at: clock(t.first.at, zone),
            second: counted(t.second),
            at2: clock(t.second.at, zone),
          })
        }}
      </p>
      <div class="actions">
        <Button
          :label="tell('walk.oneLookOfBoth')"
          :loading="together.isPending.value"
          @click="together.mutate(t)"
        />
        <Button :label="tell('walk.twoLooks')" variant="outlined" @click="apart.push(t.second.id)" />
      </div>
    </div>
    <FieldError :problem="together.error.value" />
  </section>
</template>

<style scoped>
section,
.pair {
  display: grid;
  gap: 10px;
}
</style>
