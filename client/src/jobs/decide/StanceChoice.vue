<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import AsyncState from '@/kit/AsyncState.vue'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'
import { useGardenSettings } from '@/garden/useGardenSettings'
import { approachWords, stanceWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'

/** When to spray at all, or how to meet disease, with what each choice would change today. */
const props = defineProps<{ what: 'stance' | 'approach'; placeId?: string; own?: boolean }>()
const { memberId } = useGarden()
const { data, isPending, error, refetch } = useGardenQuery(
  computed(() => ['stances', props.placeId]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/stances', {
        params: { path: { gardenId }, query: { place: props.placeId } },
      }),
    ),
)
const settings = useGardenSettings()
const setPlace = useGardenWrite((gardenId, stance: Schemas['Stance'] | null) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/places/{placeId}/stance', {
      params: { path: { gardenId, placeId: props.placeId ?? '' } },
      body: { stance, memberId: memberId.value },
    }),
  ),
)
const choices = computed(() => (props.what === 'stance' ? data.value?.stances : data.value?.approaches) ?? [])
const label = (choice: string) =>
  props.what === 'stance'
    ? stanceWords[choice as Schemas['Stance']]
    : approachWords[choice as Schemas['DiseaseApproach']]
const title = computed(() => {
  if (props.what === 'approach') return tell('decide.howYouMeetDisease')
  return props.placeId ? tell('decide.whenYouSprayHereAtAll') : tell('decide.whenYouSprayAtAll')
})
function choose(choice: string) {
  if (props.what === 'approach') settings.mutate({ diseaseApproach: choice as Schemas['DiseaseApproach'] })
  else if (props.placeId) setPlace.mutate(choice as Schemas['Stance'])
  else settings.mutate({ stance: choice as Schemas['Stance'] })
}
</script>

<template>
  <fieldset>
    <legend>{{ title }}</legend>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <div class="choices">
      <label v-for="c in choices" :key="c.choice" :class="{ current: c.current }">
        <span class="head"
          ><input
            type="radio"
            :name="what + (placeId ?? '')"
            :checked="c.current"
            @change="choose(c.choice)"
          />
          <strong>{{ label(c.choice) }}</strong></span
        >
        <span v-for="line in c.lines" :key="line" class="soft small">{{ line }}</span>
      </label>
    </div>
    <details v-for="c in choices.filter((x) => !x.current)" :key="c.choice" class="small">
      <summary>
        {{ label(c.choice) }}:
        {{
          c.differences.length === 0
            ? tell('decide.nothingWouldBeDifferentToday')
            : tell('decide.whatWouldBeDifferentToday', { differences: c.differences.length })
        }}
      </summary>
      <ul>
        <li v-for="difference in c.differences" :key="difference">{{ difference }}</li>
      </ul>
    </details>
    <p v-if="placeId && what === 'stance'" class="small">
      <template v-if="own">
        {{ tell('decide.thisPlaceHasItsOwn') }}
        <button class="plain" type="button" @click="setPlace.mutate(null)">
          {{ tell('decide.followTheGardenAgain') }}
        </button>
      </template>
      <template v-else>{{ tell('decide.asTheGarden') }}</template>
    </p>
    <FieldError :problem="settings.error.value ?? setPlace.error.value" />
  </fieldset>
</template>

<style scoped>
fieldset {
  min-width: 0;
  margin: 0;
  padding: 0;
  border: 0;
  display: grid;
  gap: 8px;
}

legend {
  padding: 0;
  font-weight: 600;
}

.choices {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 10px;
}

label {
  display: grid;
  gap: 4px;
  align-content: start;
  min-height: 44px;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  cursor: pointer;
}

label.current {
  border: 2px solid var(--mauve);
  background: var(--mauve-soft);
}

summary {
  padding: 4px 0;
  color: var(--mauve-deep);
}

.head {
  display: flex;
  gap: 8px;
  align-items: center;
}

.plain {
  min-height: 32px;
  padding: 0 6px;
  border: 0;
  background: none;
  color: var(--mauve-deep);
  text-decoration: underline;
  cursor: pointer;
}
</style>
