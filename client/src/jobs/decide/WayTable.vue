<script setup lang="ts">
import Button from 'primevue/button'
import { percent } from '@/kit/format'
import { isLeaving, type Ladder, type Way } from './useDecide'

/** The ways to meet a trouble, with what each gives and costs; those passed over say why. */
defineProps<{ ladder: Ladder; drawn: string; busy: boolean }>()
defineEmits<{ draw: [id: string]; take: [way: Way] }>()
const whole = (share: number) => `${Math.round(share)} %`
</script>

<template>
  <div class="ways" role="region" :aria-label="`Ways for ${ladder.where}, ${ladder.name}`" tabindex="0">
    <table>
      <thead>
        <tr>
          <th scope="col">way</th>
          <th scope="col">in 3 weeks</th>
          <th scope="col">sprays</th>
          <th scope="col">your time</th>
          <th scope="col">crop lost</th>
          <th scope="col">helpers left</th>
          <th scope="col"><span class="visually-hidden">do it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="way in ladder.ways"
          :key="way.id"
          :class="{ chosen: way.id === drawn, barred: way.against.length > 0 }"
        >
          <th scope="row">
            <button
              v-if="way.share"
              :aria-pressed="way.id === drawn"
              :aria-label="`${way.words}: draw it`"
              @click="$emit('draw', way.id)"
            >
              {{ way.words }}
            </button>
            <span v-else>{{ way.words }}</span>
            <span v-if="way.proposed" class="mark">proposed</span>
          </th>
          <td>
            <template v-if="way.share">
              <strong>{{ percent(way.share.middle) }}</strong>
              <span class="soft small"> {{ percent(way.share.low) }} to {{ percent(way.share.high) }}</span>
            </template>
            <template v-else>not known</template>
          </td>
          <td v-if="way.against.length" colspan="5" class="soft">passed over: {{ way.against[0]?.words }}</td>
          <template v-else>
            <td>{{ way.sprays || 'none' }}</td>
            <td>{{ way.minutes ? `${way.minutes} min` : 'none' }}</td>
            <td>{{ way.lossPercent === null ? '–' : whole(way.lossPercent) }}</td>
            <td>{{ way.helpersLeftPercent === null ? '–' : whole(way.helpersLeftPercent) }}</td>
            <td>
              <Button
                v-if="!isLeaving(way) && !way.proposed"
                label="Do this instead"
                size="small"
                variant="text"
                :disabled="busy"
                :aria-label="`Do this instead: ${way.words}`"
                @click="$emit('take', way)"
              />
            </td>
          </template>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
td strong + span {
  display: block;
  white-space: nowrap;
}

.barred th button,
.barred td {
  color: var(--ink-soft);
}

.mark {
  margin-left: 6px;
  padding: 0 6px;
  border: 1px solid var(--mauve-line);
  border-radius: var(--radius);
  font-size: 0.875rem;
}
</style>
