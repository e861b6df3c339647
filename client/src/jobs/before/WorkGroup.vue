<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { useGarden } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import { civilDay } from '@/kit/format'
import { usePrevention } from './usePrevention'

/** One kind of work and where it is due: done everywhere with one tap; one by one, or on a day of one's own, when it is opened. */
const props = defineProps<{ group: Schemas['PreventionGroupAnswer'] }>()
const { today } = useGarden()
const { say } = usePrevention()
const open = computed(() => props.group.work.filter((w) => w.state === 'due' || w.state === 'planned'))
const at = (work: Schemas['PreventiveWorkAnswer'][]) =>
  work.map((w) => ({ plantingId: w.plantingId, step: props.group.step }))
const everywhere = computed(() =>
  open.value.length > 1 ? tell('before.doneInAll', { open: open.value.length }) : tell('before.done'),
)
const day = ref('')
/** When it is to be done, and what it is worth at a planting. */
const worth = (work: Schemas['PreventiveWorkAnswer']) =>
  work.state === 'planned' && work.on
    ? tell('before.for', { on: civilDay(work.on) })
    : tell('before.keepsOffOfWhatIsLikely', { worthPercent: work.worthPercent })
</script>

<template>
  <section class="card" :aria-labelledby="`work-${group.step}`">
    <div class="head">
      <h2 :id="`work-${group.step}`">{{ group.name }}</h2>
      <span v-if="group.dueMinutes > 0" class="soft">{{
        tell('before.min', { dueMinutes: group.dueMinutes })
      }}</span>
    </div>
    <p>
      {{ group.because }} <span class="soft">{{ group.how }}</span>
    </p>
    <p class="soft small">{{ open.map((w) => w.where).join(', ') }}</p>
    <div class="actions">
      <Button
        :label="everywhere"
        :aria-label="`${everywhere}: ${group.name}`"
        :loading="say.isPending.value"
        @click="say.mutate({ work: at(open), word: 'done' })"
      />
    </div>
    <FieldError :problem="say.error.value" />
    <details>
      <summary>{{ tell('before.oneByOneAnotherDay') }}</summary>
      <form class="row" @submit.prevent="day && say.mutate({ work: at(open), word: 'planned', on: day })">
        <label :for="`day-${group.step}`">{{ tell('before.takeIt') }}</label>
        <input :id="`day-${group.step}`" v-model="day" class="p-inputtext" type="date" :min="today" />
        <Button
          type="submit"
          :label="tell('before.takeOn')"
          variant="text"
          :disabled="!day"
          :aria-label="tell('before.takeOn2', { group: group.name })"
        />
      </form>
      <ul>
        <li v-for="work in open" :key="work.plantingId">
          <p>
            <strong>{{ work.where }}</strong> <span class="soft small">{{ worth(work) }}</span>
          </p>
          <p class="soft small">{{ work.why.sentence }}</p>
          <div class="row">
            <Button
              :label="tell('before.done')"
              size="small"
              variant="outlined"
              :aria-label="tell('before.done2', { group: group.name, where: work.where })"
              @click="say.mutate({ work: at([work]), word: 'done' })"
            />
            <Button
              :label="tell('before.notThisSeason')"
              size="small"
              variant="text"
              :aria-label="tell('before.notThisSeason2', { group: group.name, where: work.where })"
              @click="say.mutate({ work: at([work]), word: 'letBe' })"
            />
          </div>
        </li>
      </ul>
    </details>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}

.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
}

summary {
  color: var(--mauve-deep);
  padding: 4px 0;
}

li {
  padding: 8px 0;
  border-top: 1px solid var(--line);
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 6px 0;
}
</style>
