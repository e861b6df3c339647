<script setup lang="ts">
import { tell } from '@/language'
import CreatureDrawing from '@/drawings/CreatureDrawing.vue'
import { useGarden } from '@/garden/useGarden'
import { sentences } from '@/garden/words'
import { day, inSentence, percent } from '@/kit/format'
import type { PlantingStop } from './useWalk'

/** Where to look first on this planting now, what for and why, and how it stood the last time. */
defineProps<{ stop: PlantingStop }>()
const { garden } = useGarden()
</script>

<template>
  <div class="first">
    <p v-for="w in stop.watch" :key="w.target">
      <strong>{{ w.lookFirst }}</strong>
      <span class="soft">
        {{ w.name }}<template v-if="w.why.length > 0">: {{ sentences(w.why.slice(0, 2), '; ') }}</template
        >.
      </span>
      <span v-if="w.stages.length > 0" class="stages">
        <span v-for="s in w.stages" :key="s.name"
          ><CreatureDrawing :creature="s.drawing" :size="42" :tint="s.tint" /><span class="soft small">{{
            s.name
          }}</span></span
        >
      </span>
    </p>
    <p v-if="stop.lastSeen && garden" class="soft small">
      <template v-if="stop.lastAffected > 0"
        >{{
          tell('walk.lastTimeAffected', {
            lastSeen: day(stop.lastSeen, garden.timeZoneId),
            share: percent(stop.lastAffected / stop.lastLooked),
            named: inSentence(stop.lastNamedAs ?? tell('walk.unnamed')),
          })
        }}
        {{ stop.trend?.sentence }}</template
      >
      <template v-else>{{
        tell('walk.lastTimeClean', { lastSeen: day(stop.lastSeen, garden.timeZoneId) })
      }}</template>
    </p>
  </div>
</template>

<style scoped>
.first {
  display: grid;
  gap: 6px;
}

.first > p {
  display: grid;
}

.stages {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}

.stages > span {
  display: grid;
  justify-items: center;
}
</style>
