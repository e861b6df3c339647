<script setup lang="ts">
import { tell } from '@/language'
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { Problem, type Schemas, languageHeader } from '@/api/client'
import { readAnew } from '@/garden/readAnew'
import { useGarden } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'

/** The whole garden in one file, out and in, and the copies that are made by themselves. */
const emit = defineEmits<{ taken: [] }>()
const client = useQueryClient()
const { gardenId, memberId } = useGarden()
const input = ref<HTMLInputElement>()
const file = ref<File>()
const takeTheirs = ref(false)

/** The generated client sends JSON; a file goes as it is. */
async function send<T>(path: string, body: File): Promise<T> {
  const response = await fetch(path, {
    method: 'POST',
    headers: { ...languageHeader(), 'content-type': 'application/zip' },
    body,
  }).catch(() => {
    throw new Problem('no-answer', tell('archive.mauvaiseDoesNotAnswer'))
  })
  const data: unknown = await response.json().catch(() => ({}))
  if (!response.ok) throw Problem.of(response.status, data)
  return data as T
}
const preview = useMutation<Schemas['MergePreview'], Problem, File>({
  mutationFn: (f) => send('/api/archive/preview', f),
})
const taking = useMutation<Schemas['TakenIn'], Problem, File>({
  mutationFn: (f) =>
    send(
      `/api/archive?takeTheirs=${takeTheirs.value}${memberId.value ? `&memberId=${memberId.value}` : ''}`,
      f,
    ),
  onSuccess: async () => {
    await readAnew(client)
    emit('taken')
  },
})
function choose(event: Event) {
  file.value = (event.target as HTMLInputElement).files?.[0]
  takeTheirs.value = false
  taking.reset()
  preview.reset()
  if (file.value) preview.mutate(file.value)
}
async function go() {
  if (!file.value || !(await taking.mutateAsync(file.value).catch(() => null))) return
  file.value = undefined
  if (input.value) input.value.value = ''
}
const told = computed(() => preview.data.value?.kinds.filter((k) => k.fresh + k.differing > 0) ?? [])
const nothing = computed(() => preview.data.value && told.value.length === 0)
</script>

<template>
  <section class="card stack" aria-labelledby="whole">
    <h2 id="whole">{{ tell('archive.theWholeGardenInOneFile') }}</h2>
    <p class="soft">
      {{ tell('archive.everythingWithItsPhotos') }}
    </p>
    <div v-if="gardenId" class="actions">
      <a class="out" :href="`/api/gardens/${gardenId}/archive`" download>{{
        tell('archive.saveTheGardenAsAFile')
      }}</a>
    </div>
    <div class="field">
      <label for="whole-file">{{ tell('archive.bringInAGardenFrom') }}</label>
      <input id="whole-file" ref="input" type="file" accept=".zip,application/zip" @change="choose" />
    </div>
    <p v-if="preview.isPending.value" class="soft" role="status">{{ tell('archive.readingItThrough') }}</p>
    <FieldError :problem="preview.error.value ?? taking.error.value" />
    <div v-if="taking.data.value" class="note good" role="status">
      <p>{{ tell('archive.isHere', { gardenName: taking.data.value.what.gardenName }) }}</p>
      <p v-if="taking.data.value.backupName">
        {{ tell('archive.whatWasHereBeforeIsKept', { backupName: taking.data.value.backupName }) }}
      </p>
    </div>
    <template v-else-if="preview.data.value && file">
      <p role="status">
        <strong>{{ preview.data.value.gardenName }}</strong>:
        <template v-if="nothing">{{ tell('archive.allOfItIsHereAlready') }}</template>
        <template v-else>{{
          told
            .map((k) =>
              [
                k.fresh && tell('archive.new', { fresh: k.fresh, words: k.words }),
                k.differing && tell('archive.thatDiffer', { differing: k.differing, words: k.words }),
              ]
                .filter(Boolean)
                .join(', '),
            )
            .join('; ')
        }}</template>
      </p>
      <label v-if="told.some((k) => k.differing > 0)" class="tick"
        ><input v-model="takeTheirs" type="checkbox" /> {{ tell('archive.whereTheyDifferTakeWhat') }}</label
      >
      <div class="actions">
        <Button
          :label="preview.data.value.gardenIsHere ? tell('archive.mergeIt') : tell('archive.bringIt')"
          :disabled="!!nothing"
          :loading="taking.isPending.value"
          @click="go"
        />
      </div>
    </template>
  </section>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 10px;
}

.tick {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}
</style>
