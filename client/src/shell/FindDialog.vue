<script setup lang="ts">
import { tell } from '@/language'
import { useQuery } from '@tanstack/vue-query'
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import { computed, ref, watch } from 'vue'
import { useRouter, type RouteLocationRaw } from 'vue-router'
import { answer, api } from '@/api/client'
import { keys, useGarden } from '@/garden/useGarden'
import { useTargets } from '@/garden/useTargets'

const visible = defineModel<boolean>('visible', { required: true })
const router = useRouter()
const { garden, plantings } = useGarden()
const wanted = ref('')

interface Found {
  label: string
  to: RouteLocationRaw
  /** Other names that it is found by. */
  also?: string
}
const targets = useTargets()
const { data: materials } = useQuery({
  queryKey: keys.catalogue('materials'),
  queryFn: () => answer(api.GET('/api/catalogue/materials')),
  staleTime: Infinity,
  enabled: visible,
})
const all = computed<Found[]>(() => [
  ...plantings.value.map((p) => ({
    label: `${p.place.name}: ${p.cropName}${p.variety ? ` ${p.variety}` : ''}`,
    to: { name: 'count', params: { plantingId: p.id } },
    also: p.alsoCalled.join(' '),
  })),
  ...(garden.value?.places ?? []).map((p) => ({
    label: p.name,
    to: { name: 'place', params: { placeId: p.id } },
  })),
  ...router
    .getRoutes()
    .filter((r) => r.name && r.meta.title && !r.path.includes(':') && !r.meta.bare && !r.meta.hidden)
    .map((r) => ({ label: String(r.meta.title), to: { path: r.path } })),
  ...targets.value.map((t) => ({
    label: tell('shell.playItThrough', { label: t.label }),
    to: { name: 'what-if', query: { target: t.value } },
    also: t.also.join(' '),
  })),
  ...(materials.value ?? []).map((m) => ({
    label: tell('shell.whenItMayGo', { it: m.name }),
    to: { name: 'hours', query: { material: m.id } },
  })),
])
const found = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return all.value
    .filter((x) => words.every((w) => `${x.label} ${x.also ?? ''}`.toLowerCase().includes(w)))
    .slice(0, 8)
})

watch(visible, () => (wanted.value = ''))

function open(to?: RouteLocationRaw) {
  if (!to) return
  visible.value = false
  void router.push(to)
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    dismissable-mask
    :header="tell('beds.find')"
    position="top"
    :style="{ width: 'min(520px, 94vw)' }"
  >
    <InputText
      v-model="wanted"
      autofocus
      fluid
      :aria-label="tell('shell.findAPlaceCropOrScreen')"
      @keydown.enter="open(found[0]?.to)"
    />
    <ul>
      <li v-for="x in found" :key="x.label">
        <button @click="open(x.to)">{{ x.label }}</button>
      </li>
    </ul>
    <p v-if="found.length === 0" class="soft">{{ tell('shell.nothingByThatName') }}</p>
  </Dialog>
</template>

<style scoped>
ul {
  margin-top: 10px;
}

button {
  width: 100%;
  min-height: 44px;
  padding: 6px 10px;
  text-align: left;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  color: inherit;
  cursor: pointer;
}

button:hover {
  background: var(--mauve-soft);
}
</style>
