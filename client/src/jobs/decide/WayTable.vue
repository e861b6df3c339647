<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { percent } from '@/kit/format'
import { isLeaving, type Ladder, type Way } from './useDecide'

/** The ways to meet a trouble, with what each gives and costs; those passed over say why. */
defineProps<{ ladder: Ladder; drawn: string; busy: boolean }>()
defineEmits<{ draw: [id: string]; take: [way: Way] }>()
const whole = (share: number) => `${Math.round(share)} %`
</script>

<template>
  <div
    class="ways"
    role="region"
    :aria-label="tell('decide.waysFor', { where: ladder.where, ladder: ladder.name })"
    tabindex="0"
  >
    <table>
      <thead>
        <tr>
          <th scope="col">{{ tell('decide.way') }}</th>
          <th scope="col">{{ tell('decide.in3Weeks') }}</th>
          <th scope="col">{{ tell('decide.sprays') }}</th>
          <th scope="col">{{ tell('decide.yourTime') }}</th>
          <th scope="col">{{ tell('decide.cropLost') }}</th>
          <th scope="col">{{ tell('decide.helpersLeft') }}</th>
          <th scope="col">
            <span class="visually-hidden">{{ tell('decide.doIt') }}</span>
          </th>
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
              :aria-label="tell('decide.drawIt', { words: way.words })"
              @click="$emit('draw', way.id)"
            >
              {{ way.words }}
            </button>
            <span v-else>{{ way.words }}</span>
            <span v-if="way.proposed" class="mark">{{ tell('decide.proposed') }}</span>
          </th>
          <td>
            <template v-if="way.share">
              <strong>{{ percent(way.share.middle) }}</strong>
              <span class="soft small">
                {{
                  tell('decide.lowHigh', { low: percent(way.share.low), high: percent(way.share.high) })
                }}</span
              >
            </template>
            <template v-else>{{ tell('board.notKnown') }}</template>
          </td>
          <td v-if="way.against.length" colspan="5" class="soft">
            {{ tell('decide.passedOver', { words: way.against[0]?.words }) }}
          </td>
          <template v-else>
            <td>{{ way.sprays || tell('garden.none') }}</td>
            <td>{{ way.minutes ? tell('decide.min', { minutes: way.minutes }) : tell('garden.none') }}</td>
            <td>{{ way.lossPercent === null ? '–' : whole(way.lossPercent) }}</td>
            <td>{{ way.helpersLeftPercent === null ? '–' : whole(way.helpersLeftPercent) }}</td>
            <td>
              <Button
                v-if="!isLeaving(way) && !way.proposed"
                :label="tell('decide.doThisInstead')"
                size="small"
                variant="text"
                :disabled="busy"
                :aria-label="tell('decide.doThisInstead2', { words: way.words })"
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
