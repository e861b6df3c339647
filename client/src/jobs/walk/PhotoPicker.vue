<script setup lang="ts">
import { tell } from '@/language'
import { useObjectUrl } from '@vueuse/core'
import Button from 'primevue/button'
import { defineComponent, h, ref, shallowRef, toRef, watch } from 'vue'
import { keptPhotos, photoTypes } from './keptPhotos'

/** Photos of the look, kept on the device until it is saved. */
const photos = defineModel<string[]>({ required: true })
const input = ref<HTMLInputElement>()
const pictures = shallowRef<{ id: string; blob: Blob }[]>([])
const wrong = ref('')
const mostBytes = 15 * 1024 * 1024

watch(
  photos,
  async (ids) => {
    const found = await Promise.all(ids.map(async (id) => ({ id, blob: await keptPhotos.get(id) })))
    pictures.value = found.flatMap(({ id, blob }) => (blob ? [{ id, blob }] : []))
  },
  { immediate: true, deep: true },
)

async function add(event: Event) {
  const chosen = event.target as HTMLInputElement
  wrong.value = ''
  for (const file of chosen.files ?? []) {
    if (!photoTypes.split(',').includes(file.type))
      wrong.value = tell('walk.isNoJpegPngOrWebp', { file: file.name })
    else if (file.size > mostBytes) wrong.value = tell('walk.isOver15MbTake', { file: file.name })
    else await keep(file)
  }
  chosen.value = ''
}

async function keep(file: File) {
  try {
    photos.value = [...photos.value, await keptPhotos.keep(file)]
  } catch (error) {
    if (!(error instanceof DOMException)) throw error
    wrong.value = tell('walk.noRoomForAPicture')
  }
}

async function drop(id: string) {
  photos.value = photos.value.filter((p) => p !== id)
  await keptPhotos.drop(id)
}

/** A picture that has no address yet. */
const Thumb = defineComponent({
  props: { file: { type: Blob, required: true }, label: { type: String, required: true } },
  setup(props) {
    const url = useObjectUrl(toRef(props, 'file'))
    return () => h('img', { src: url.value, alt: props.label })
  },
})
</script>

<template>
  <div class="photos">
    <input
      ref="input"
      class="file"
      type="file"
      multiple
      :accept="photoTypes"
      :aria-label="tell('suspects.photos')"
      @change="add"
    />
    <Button :label="tell('walk.addAPhoto')" variant="outlined" @click="input?.click()" />
    <figure v-for="({ id, blob }, i) in pictures" :key="id">
      <Thumb :file="blob" :label="tell('walk.photo', { number: i + 1 })" />
      <button :aria-label="tell('suspects.removePhoto', { it: i + 1 })" @click="drop(id)">
        {{ tell('suspects.remove') }}
      </button>
    </figure>
    <p v-if="wrong" role="alert" class="wrong">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.photos {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px;
}

.file {
  display: none;
}

.photos :deep(.p-button) {
  min-height: 48px;
}

figure {
  margin: 0;
  display: grid;
  gap: 2px;
}

figure :deep(img) {
  width: 84px;
  height: 84px;
  object-fit: cover;
  border-radius: var(--radius);
}

figure button {
  min-height: 44px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  cursor: pointer;
}

.wrong {
  width: 100%;
  color: var(--brick-ink);
  font-weight: 600;
}
</style>
