<script setup lang="ts">
import { tell } from '@/language'
import { useMediaQuery, useWakeLock } from '@vueuse/core'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useGarden } from '@/garden/useGarden'
import PasskeysCard from '@/jobs/home/PasskeysCard.vue'
import { useEntry } from '@/jobs/home/useEntry'
import LanguageField from '@/kit/LanguageField.vue'
import SelectField from '@/kit/SelectField.vue'
import { keepAwake } from '@/kit/useAwake'
import { useReady } from '@/outbox/useReady'
import { dayAndClock } from '@/kit/format'
import DemoClock from './DemoClock.vue'
import { dailyJobs, otherJobs, thumbJobs } from './jobs'
import { useDusk } from './useDusk'
import { findOpen } from './useKeys'

/** All jobs that are not at hand, and this device's own matters. */
const { state, home, garden, gardenId, open } = useGarden()
const { signOut } = useEntry()
const router = useRouter()
const ready = useReady()
const { isSupported: awake } = useWakeLock()
const { dusk, turn } = useDusk()
const phone = useMediaQuery('(max-width: 640px)')
const jobs = computed(() => [
  ...(phone.value ? dailyJobs.filter((j) => !thumbJobs.some((t) => t.name === j.name)) : []),
  ...otherJobs,
])
</script>

<template>
  <div class="page narrow">
    <div class="page-head">
      <h1>{{ tell('shell.more') }}</h1>
      <p v-if="garden" class="soft">{{ garden.name }}, {{ dayAndClock(garden.now, garden.timeZoneId) }}</p>
    </div>
    <Button
      :label="tell('shell.findAPlaceCropOrScreen')"
      variant="outlined"
      size="large"
      @click="findOpen = true"
    />
    <ul>
      <li v-for="job in jobs" :key="job.name">
        <RouterLink :to="{ name: job.name }">
          <strong>{{ job.label }}</strong> <span class="soft">{{ job.what }}</span>
        </RouterLink>
      </li>
    </ul>
    <SelectField
      v-if="(state.data.value?.gardens.length ?? 0) > 1"
      :model-value="gardenId"
      :options="state.data.value!.gardens.map((g) => ({ value: g.id, label: g.name }))"
      :label="tell('shell.garden')"
      @update:model-value="open"
    />
    <LanguageField />
    <section v-if="ready.keeps()" aria-labelledby="on-device">
      <h2 id="on-device">{{ tell('shell.onThisDevice') }}</h2>
      <p>
        {{
          ready.at.value
            ? tell('shell.theRoundTonightMixesAndCheck', {
                dayAndClock: dayAndClock(ready.at.value, garden?.timeZoneId ?? 'UTC'),
              })
            : tell('shell.nothingIsKeptHereYet')
        }}
      </p>
      <Button
        :label="tell('shell.fetchItAllNow')"
        variant="outlined"
        :loading="ready.busy.value"
        @click="ready.fetchAll"
      />
      <label v-if="awake" class="tick"
        ><input v-model="keepAwake" type="checkbox" /> {{ tell('shell.keepTheScreenOnWhileCounting') }}</label
      >
    </section>
    <PasskeysCard v-if="home.data.value?.person" :zone="garden?.timeZoneId ?? 'UTC'" />
    <div class="actions">
      <Button
        v-if="home.data.value?.person"
        :label="tell('shell.signOut', { person: home.data.value.person.name })"
        variant="outlined"
        @click="signOut.mutate(undefined, { onSuccess: () => router.replace({ name: 'sign-in' }) })"
      />
      <Button
        :label="dusk ? tell('shell.light') : tell('shell.dusk')"
        variant="outlined"
        :aria-pressed="dusk"
        @click="turn"
      />
      <span v-if="state.data.value?.demo" class="demo"><DemoClock /></span>
    </div>
  </div>
</template>

<style scoped>
a {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 10px;
  min-height: 56px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
  color: var(--ink);
  text-decoration: none;
}

a:hover strong {
  color: var(--mauve-deep);
}

.tick {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 56px;
}

.tick input {
  width: 22px;
  height: 22px;
}

.demo {
  padding: 4px 8px;
  border-radius: var(--radius);
  background: var(--frame);
}
</style>
