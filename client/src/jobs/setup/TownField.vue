<script setup lang="ts">
import { tell } from '@/language'
import AutoComplete from 'primevue/autocomplete'
import { useTowns, type Town } from './useTowns'

/** The town, typed and chosen: it says where the garden lies, by which clock, and in what climate. */
const town = defineModel<Town | string>()
const emit = defineEmits<{ chosen: [town: Town] }>()
const { towns, trouble, find } = useTowns()
const called = (t: Town | string) => (typeof t === 'string' ? t : `${t.name}, ${t.countryName}`)
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
      force-selection
      fluid
      :empty-search-message="tell('setup.noSuchTownIsKnownHere')"
      @complete="find($event.query)"
      @option-select="emit('chosen', $event.value)"
    />
    <small class="soft">{{ trouble || tell('setup.townsByGeonamesCcBy4') }}</small>
  </div>
</template>
