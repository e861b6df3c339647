<script setup lang="ts">
import { tell } from '@/language'
import { useIntervalFn } from '@vueuse/core'
import Button from 'primevue/button'
import SelectButton from 'primevue/selectbutton'
import { computed, ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import { options, waterWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import { trim } from '@/kit/format'
import SelectField from '@/kit/SelectField.vue'
import { useGardenSettings } from '@/garden/useGardenSettings'

/** How much soap keeps this oil in this water: a jar is shaken and watched, 1 ml a litre more each time until it stays even. */
const props = defineProps<{ emulsifier: Schemas['EmulsifierAnswer'] }>()
defineEmits<{ soap: [material: string] }>()
const { memberId } = useGarden()
const settings = useGardenSettings()

const seconds = ref(45)
const lengths = [30, 45, 60].map((value) => ({ value, label: `${value} s` }))
const amount = ref(props.emulsifier.startAt)
const left = ref(0)
const watched = ref(false)
const clock = useIntervalFn(
  () => {
    left.value--
    if (left.value > 0) return
    clock.pause()
    watched.value = true
    navigator.vibrate?.([200, 100, 200])
  },
  1000,
  { immediate: false },
)
watch(
  // One word, so that reading the bench anew does not stop a running watch.
  () => [props.emulsifier.soap, props.emulsifier.oil, props.emulsifier.water].join(),
  () => {
    amount.value = props.emulsifier.startAt
    stop()
  },
)
const running = computed(() => clock.isActive.value)

function start() {
  left.value = seconds.value
  watched.value = false
  clock.resume()
}
function stop() {
  clock.pause()
  left.value = 0
  watched.value = false
}
function parted() {
  amount.value++
  stop()
}
const saving = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/emulsions', {
      params: { path: { gardenId } },
      body: {
        id: crypto.randomUUID(),
        oil: props.emulsifier.oil,
        soap: props.emulsifier.soap,
        water: props.emulsifier.water,
        soapMlPerLitre: amount.value,
        heldSeconds: seconds.value,
        memberId: memberId.value,
      },
    }),
  ),
)
async function held() {
  if (
    await saving.mutateAsync().then(
      () => true,
      () => false,
    )
  )
    stop()
}
</script>

<template>
  <details class="shake">
    <summary>
      {{
        emulsifier.found
          ? tell('bench.soapMlALitreAsYour', { mlPerLitre: trim(emulsifier.mlPerLitre, 1) })
          : tell('bench.soapMlALitreShake', { mlPerLitre: trim(emulsifier.mlPerLitre, 1) })
      }}
    </summary>
    <div class="grid">
      <SelectField
        :model-value="emulsifier.soap"
        :options="emulsifier.soaps"
        :label="tell('bench.soap')"
        show="name"
        take="id"
        @update:model-value="$emit('soap', $event)"
      />
      <SelectField
        :model-value="emulsifier.water"
        :options="options(waterWords)"
        :label="tell('bench.water')"
        @update:model-value="settings.mutate({ water: $event })"
      />
    </div>
    <p>
      {{ tell('bench.aJarWithMlOfSoap', { amount: trim(amount, 1), amount2: trim(amount / 2, 2) }) }}
    </p>
    <SelectButton
      v-model="seconds"
      :options="lengths"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      :disabled="running"
      :aria-label="tell('bench.howLongToWatch')"
    />
    <div class="timer">
      <svg
        viewBox="0 0 80 80"
        width="80"
        height="80"
        role="timer"
        :aria-label="tell('bench.secondsLeft', { left })"
      >
        <circle class="ring" cx="40" cy="40" r="34" pathLength="1" />
        <circle
          class="rest"
          cx="40"
          cy="40"
          r="34"
          pathLength="1"
          :stroke-dasharray="`${seconds ? left / seconds : 0} 1`"
          transform="rotate(-90 40 40)"
        />
        <text x="40" y="48">{{ running ? left : watched ? '✓' : seconds }}</text>
      </svg>
      <div v-if="watched" class="asked" role="status">
        <p>
          <strong>{{ tell('bench.isItStillEvenWithNo') }}</strong>
        </p>
        <div class="actions">
          <Button :label="tell('bench.evenKeepThisAmount')" :loading="saving.isPending.value" @click="held" />
          <Button :label="tell('bench.itParted1MlMore')" variant="outlined" @click="parted" />
        </div>
      </div>
      <Button v-else-if="!running" :label="tell('bench.shakenStartWatching')" @click="start" />
      <Button v-else :label="tell('bench.itPartedAlready')" variant="outlined" @click="parted" />
    </div>
    <FieldError :problem="saving.error.value" />
  </details>
</template>

<style scoped>
.shake > * + * {
  margin-top: 10px;
}

summary {
  color: var(--mauve-deep);
  min-height: 32px;
  margin-top: 10px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 12px;
}

.timer {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 14px;
}

circle {
  fill: none;
  stroke-width: 7;
}

.ring {
  stroke: var(--line);
}

.rest {
  stroke: var(--mauve);
}

text {
  font: 700 1.5rem var(--heading);
  text-anchor: middle;
  fill: var(--ink);
}
</style>
