<script setup lang="ts">
import { tell } from '@/language'
import AutoComplete from 'primevue/autocomplete'
import type { Problem } from '@/api/client'
import { nameOfCountry } from '@/garden/useCountries'
import FieldError from '@/kit/FieldError.vue'
import { useTowns, type Town } from './useTowns'

/** The town, typed and chosen: it says where the garden lies, by which clock, and in what climate. */
const town = defineModel<Town | string | null>()
defineProps<{ problem: Problem | null }>()
const emit = defineEmits<{ chosen: [town: Town] }>()
const { towns, none, trouble, find } = useTowns()
function called(t: Town | string): string {
  if (typeof t === 'string') return t
  const where = { town: t.name, country: nameOfCountry(t.country) }
  return t.near
    ? tell('setup.townNearAnother', { ...where, near: t.near })
    : tell('setup.townInCountry', where)
}
</script>

<template>
  <div class="field">
    <label for="town">{{ tell('setup.townOrVillageNearby') }}</label>
    <AutoComplete
      v-model="town"
      input-id="town"
      :suggestions="towns"
      :option-label="called"
      :min-length="2"
      :delay="200"
      auto-option-focus
      force-selection
      fluid
      :invalid="!!problem?.fields.town"
      :empty-search-message="none ? tell('setup.noSuchTownIsKnownHere') : ''"
      @complete="find($event.query)"
      @option-select="emit('chosen', $event.value)"
    />
    <FieldError :problem="problem" field="town" />
    <small class="soft">{{ trouble || tell('setup.townsByGeonamesCcBy4') }}</small>
  </div>
</template>
