<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'

/** What the household heard and keeps: to be mixed, or so that nobody mixes it. */
defineProps<{ chosen?: string }>()
defineEmits<{ choose: [recipe: string] }>()
const { gardenId, memberId } = useGarden()
const { data } = useGardenQuery(['own-recipes'], (gardenId) =>
  answer(api.GET('/api/gardens/{gardenId}/own-recipes', { params: { path: { gardenId } } })),
)
const kept = computed(() => data.value?.filter((r) => !r.retired) ?? [])
const putting = useGardenWrite((gardenId, r: Schemas['OwnRecipeAnswer']) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/own-recipes/{recipeId}', {
      params: { path: { gardenId, recipeId: r.id } },
      body: {
        name: r.name,
        text: r.text,
        kitchen: 'metric',
        heardFrom: r.heardFrom,
        warning: r.warning,
        retired: true,
        memberId: memberId.value,
      },
    }),
  ),
)
const file = useGardenWrite((gardenId, yaml: string) =>
  answer(
    api.POST('/api/gardens/{gardenId}/own-recipes/file', {
      params: { path: { gardenId } },
      body: { yaml, memberId: memberId.value },
    }),
  ),
)
async function takeIn(event: Event) {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (chosen) file.mutate(await chosen.text())
}
</script>

<template>
  <section v-if="kept.length" aria-labelledby="kept-recipes">
    <h3 id="kept-recipes">{{ tell('bench.keptHere') }}</h3>
    <ul>
      <li v-for="r in kept" :key="r.id">
        <strong>{{ r.name }}</strong>
        <span class="soft">{{
          r.warning
            ? tell('bench.aWarningNotToBeMixed')
            : [r.parts.join('; '), r.heardFrom && tell('bench.heardFrom2', { heardFrom: r.heardFrom })]
                .filter(Boolean)
                .join(' · ')
        }}</span>
        <p v-if="r.warning" class="told">{{ r.text }}</p>
        <Button
          v-if="r.recipe"
          :label="tell('board.mixIt')"
          size="small"
          :variant="chosen === r.recipe ? undefined : 'outlined'"
          :aria-label="tell('bench.mix', { name: r.name })"
          :aria-pressed="chosen === r.recipe"
          @click="$emit('choose', r.recipe)"
        />
        <Button
          :label="tell('bench.putItAway')"
          size="small"
          variant="text"
          :aria-label="tell('bench.putAway', { it: r.name })"
          @click="putting.mutate(r)"
        />
      </li>
    </ul>
    <FieldError :problem="putting.error.value" />
  </section>
  <div class="files">
    <a
      v-if="kept.some((r) => r.recipe)"
      :href="`/api/gardens/${gardenId}/own-recipes/file`"
      download="recipes.yaml"
      >{{ tell('bench.recipesAsAFile') }}</a
    >
    <label class="p-button p-component p-button-text p-button-sm">
      {{ tell('bench.takeInAFileOfRecipes') }}
      <input type="file" accept=".yaml,.yml,text/yaml" class="visually-hidden" @change="takeIn" />
    </label>
    <p v-if="file.data.value" role="status">
      {{
        file.data.value.kept.length
          ? tell('bench.recipesKept', { names: file.data.value.kept.join(', ') })
          : tell('bench.allOfItWasHere')
      }}
    </p>
    <FieldError :problem="file.error.value" />
  </div>
</template>

<style scoped>
section {
  margin-top: 12px;
}

ul {
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--mauve-line);
}

li > span {
  flex: 1 1 200px;
}

.files {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  margin-top: 8px;
}

.told {
  flex: 1 1 100%;
  white-space: pre-line;
}
</style>
