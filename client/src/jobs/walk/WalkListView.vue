<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import LeafDrawing from '@/drawings/LeafDrawing.vue'
import { useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import { day } from '@/kit/format'

const route = useRoute()
const { garden, query, plantings } = useGarden()
const wanted = computed(() => new Set([route.query.planting ?? []].flat()))

/** What the link asked for first, then what was not seen for longest. */
const ordered = computed(() =>
  [...plantings.value].sort(
    (a, b) =>
      Number(wanted.value.has(b.id)) - Number(wanted.value.has(a.id)) ||
      (a.lastSeen ?? '').localeCompare(b.lastSeen ?? ''),
  ),
)
const seen = (at: string | null | undefined) =>
  at && garden.value ? `last seen ${day(at, garden.value.timeZoneId)}` : 'not looked at yet'
</script>

<template>
  <div class="page narrow">
    <div class="page-head">
      <h1>Walk</h1>
      <p class="soft">Turn leaves over. What was not seen for longest comes first.</p>
    </div>
    <AsyncState
      v-if="!garden"
      :pending="query.isPending.value"
      :error="query.error.value"
      :retry="query.refetch"
    />
    <p v-else-if="ordered.length === 0" class="note">
      Nothing is growing yet. <RouterLink :to="{ name: 'garden' }">Plant something</RouterLink> first.
    </p>
    <ol v-else class="list">
      <li v-for="p in ordered" :key="p.id">
        <RouterLink
          :to="{ name: 'count', params: { plantingId: p.id } }"
          :class="{ wanted: wanted.has(p.id) }"
        >
          <LeafDrawing :leaf="p.leaf" :size="38" />
          <span>
            <strong>{{ p.place.name }}: {{ p.cropName.toLowerCase() }}</strong>
            <span class="soft">{{ p.lookFirst }}</span>
          </span>
          <span class="soft small seen">{{ seen(p.lastSeen) }}</span>
        </RouterLink>
      </li>
    </ol>
  </div>
</template>

<style scoped>
a {
  display: grid;
  grid-template-columns: 44px 1fr auto;
  gap: 12px;
  align-items: center;
  min-height: 64px;
  padding: 8px 12px;
  color: var(--ink);
  text-decoration: none;
  background: var(--surface);
  border: 1px solid var(--line);
  border-bottom: 0;
}

li:last-child a {
  border-bottom: 1px solid var(--line);
}

a:hover {
  background: var(--mauve-soft);
}

a.wanted {
  border-left: 4px solid var(--mauve);
}

a > span {
  display: grid;
}

@media (max-width: 640px) {
  a {
    grid-template-columns: 44px 1fr;
  }

  .seen {
    grid-column: 2;
  }
}
</style>
