<script setup lang="ts">
import { tell } from '@/language'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useGarden, useGardenAnew } from './garden/useGarden'
import OutboxStrip from './outbox/OutboxStrip.vue'
import { whenFirstScreenStands } from './kit/whenFirstScreenStands'
import { useKeptApp } from './outbox/useKeptApp'
import { useDelivery } from './outbox/useOutbox'
import { useReady } from './outbox/useReady'
import JobBar from './shell/JobBar.vue'
import TopBar from './shell/TopBar.vue'
import UndoStrip from './shell/UndoStrip.vue'
import { useHeadingFocus } from './shell/useHeadingFocus'
import { useKeys } from './shell/useKeys'
import { onSignedOut } from './api/client'
import DrawnInTurn from './kit/DrawnInTurn.vue'
import { measureAs } from './kit/household'
import { orderDays } from './language'
import { useNews } from './garden/useNews'

const route = useRoute()
const router = useRouter()
const { state, garden } = useGarden()
const queries = useQueryClient()
const { helpOpen, findOpen } = useKeys()
// What opens over the screens comes only when it is first opened.
const FindDialog = defineAsyncComponent(() => import('./shell/FindDialog.vue'))
const KeyHelp = defineAsyncComponent(() => import('./shell/KeyHelp.vue'))
const found = ref(false)
const helped = ref(false)
watch(findOpen, () => (found.value = true))
watch(helpOpen, () => (helped.value = true))
useDelivery()
useGardenAnew()
watch(
  garden,
  (g) => {
    if (!g) return
    measureAs(g)
    // What was told in the other order is asked for again.
    if (orderDays(g.units.days ?? 'dayFirst')) void queries.invalidateQueries()
  },
  { immediate: true },
)
const main = useTemplateRef('main')
useHeadingFocus(() => main.value)
useNews()
useKeptApp()
whenFirstScreenStands(() => document.documentElement.classList.remove('unlettered'))
useReady().keepReady()
onSignedOut(async () => {
  await router.isReady()
  if (route.meta.bare !== true) void router.push({ name: 'sign-in', query: { to: route.fullPath } })
})
const bare = computed(() => route.meta.bare === true)

watch(
  () => state.data.value?.gardens.length,
  (count) => {
    if (count === 0 && route.meta.bare !== true) void router.replace({ name: 'set-up' })
  },
)
</script>

<template>
  <a class="skip" href="#main">{{ tell('shell.toTheContent') }}</a>
  <TopBar v-if="!bare" />
  <p v-if="state.isError.value" class="trouble note stop no-print" role="alert">
    {{ state.error.value?.message }}
  </p>
  <p v-else-if="garden?.weather.stale && !bare" class="trouble note caution no-print" role="status">
    {{ garden.weather.sentence }}
  </p>
  <DrawnInTurn v-if="!bare">
    <OutboxStrip />
    <UndoStrip />
  </DrawnInTurn>
  <main id="main" ref="main" tabindex="-1">
    <!-- A screen's own state belongs to what it is about: another planting is another screen. -->
    <DrawnInTurn><RouterView :key="route.path" /></DrawnInTurn>
  </main>
  <DrawnInTurn v-if="!bare"><JobBar /></DrawnInTurn>
  <KeyHelp v-if="helped" v-model:visible="helpOpen" />
  <FindDialog v-if="found" v-model:visible="findOpen" />
</template>

<style scoped>
.skip {
  position: absolute;
  left: -999px;
  top: 4px;
  padding: 8px 12px;
  background: var(--surface);
  z-index: 10;
}

.skip:focus {
  left: 8px;
}

.trouble {
  margin: 0;
  border-radius: 0;
  border-width: 0 0 1px;
}

main:focus {
  outline: none;
}
</style>
