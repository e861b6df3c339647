<script setup lang="ts">
import { tell } from '@/language'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, reactive, ref } from 'vue'
import { answer, api } from '@/api/client'
import { keys, useGarden, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import NumberField from '@/kit/NumberField.vue'
import SelectField from '@/kit/SelectField.vue'
import { day } from '@/kit/format'

/** pH and strength of the feed at a place: what was measured rules causes in and out. */
const props = defineProps<{ placeId: string }>()
const { garden, gardenId, memberId } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const { data } = useQuery({
  queryKey: computed(() => keys.of(gardenId.value, 'readings', props.placeId)),
  queryFn: () =>
    answer(
      api.GET('/api/gardens/{gardenId}/places/{placeId}/readings', {
        params: { path: { gardenId: gardenId.value, placeId: props.placeId } },
      }),
    ),
  enabled: computed(() => gardenId.value !== ''),
})
const kinds = computed(() => data.value ?? [])
const chosen = ref<string>()
const of = computed(() => chosen.value ?? kinds.value[0]?.id)
const kind = computed(() => kinds.value.find((k) => k.id === of.value))
const unit = computed(() => kind.value?.unit ?? '')
const value = ref<number | null>(null)
/** What hung cards caught, where it is counted so. */
const caught = reactive({
  insects: null as number | null,
  cards: 1 as number | null,
  days: 7 as number | null,
})
const cardFields = [
  { field: 'insects', label: tell('place.insectsOnTheCards') },
  { field: 'cards', label: tell('place.onSoManyCards') },
  { field: 'days', label: tell('place.inSoManyDays') },
] as const
const id = ref(crypto.randomUUID())
const taking = useGardenWrite((garden) =>
  answer(
    api.POST('/api/gardens/{gardenId}/readings', {
      params: { path: { gardenId: garden } },
      body: {
        id: id.value,
        placeId: props.placeId,
        of: of.value ?? '',
        value: kind.value?.perCard ? null : (value.value ?? -1),
        at: null,
        memberId: memberId.value,
        caught: kind.value?.perCard
          ? { insects: caught.insects ?? -1, cards: caught.cards ?? 0, days: caught.days ?? 0 }
          : null,
      },
    }),
  ),
)
const take = () =>
  taking.mutate(undefined, {
    onSuccess: () => {
      id.value = crypto.randomUUID()
      value.value = caught.insects = null
    },
  })
const striking = useGardenWrite((garden, readingId: string) =>
  answer(
    api.DELETE('/api/gardens/{gardenId}/readings/{readingId}', {
      params: { path: { gardenId: garden, readingId }, query: { memberId: memberId.value ?? undefined } },
    }),
  ),
)
</script>

<template>
  <details v-if="kinds.length" class="card">
    <summary>
      <strong>{{ tell('place.measured') }}</strong>
      <span class="soft">{{
        kinds
          .filter((k) => k.state)
          .map((k) => `${k.name}: ${k.taken[0]?.told}`)
          .join(', ') || tell('place.nothingLately')
      }}</span>
    </summary>
    <ul>
      <li v-for="k in kinds.filter((k) => !k.perCard || k.taken.length > 0)" :key="k.id">
        <p>
          <strong>{{ k.name }}</strong> <span class="soft">{{ k.sentence }}</span>
        </p>
        <p v-for="r in k.taken.slice(0, 5)" :key="r.id" class="taken">
          {{ day(r.at, zone) }}: {{ r.told }}
          <Button
            :label="tell('picking.strike')"
            variant="text"
            size="small"
            :aria-label="tell('place.strikeOf', { it: k.name, told: r.told, at: day(r.at, zone) })"
            @click="striking.mutate(r.id)"
          />
        </p>
      </li>
    </ul>
    <form novalidate @submit.prevent="take">
      <SelectField
        :model-value="of"
        :options="kinds"
        :label="tell('ledger.what')"
        show="name"
        take="id"
        @update:model-value="chosen = $event"
      />
      <template v-if="kind?.perCard">
        <div v-for="f in cardFields" :key="f.field" class="field">
          <label :for="`${f.field}-${placeId}`">{{ f.label }}</label>
          <NumberField
            v-model="caught[f.field]"
            :input-id="`${f.field}-${placeId}`"
            :min="0"
            :max-fraction-digits="f.field === 'days' ? 1 : 0"
          />
        </div>
        <FieldError :problem="taking.error.value" field="caught" />
      </template>
      <div v-else class="field">
        <label :for="`reading-${placeId}`">{{ tell('place.reads') }}</label>
        <NumberField
          v-model="value"
          :input-id="`reading-${placeId}`"
          :max-fraction-digits="2"
          :suffix="unit ? ` ${unit}` : undefined"
        />
        <FieldError :problem="taking.error.value" field="value" />
      </div>
      <Button type="submit" :label="tell('place.keepTheReading')" :loading="taking.isPending.value" />
    </form>
    <FieldError :problem="taking.error.value" :shown="['value', 'caught']" />
  </details>
</template>

<style scoped>
summary {
  min-height: 32px;
}

li {
  padding: 6px 0;
}

.taken {
  display: flex;
  align-items: center;
  gap: 8px;
}

form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(160px, 1fr));
  gap: 12px;
  align-items: end;
  padding-top: 8px;
}
</style>
