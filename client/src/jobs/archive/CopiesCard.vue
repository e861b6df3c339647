<script setup lang="ts">
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { answer, api, type Problem, type Schemas } from '@/api/client'
import { useGarden } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import { dayAndClock, fileSize } from '@/kit/format'

/** The copies of all data, to look into and to put back, and the data looked through. */
const client = useQueryClient()
const { garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const copies = useQuery({ queryKey: ['backups'], queryFn: () => answer(api.GET('/api/backups')) })
const kinds: Record<Schemas['CopyKind'], string> = {
  day: 'of the day',
  byHand: 'made by hand',
  beforeMerge: 'before a file was brought in',
  beforeSchema: 'before a new version',
  beforeRestore: 'before another copy was put back',
  beforeMend: 'before the data was mended',
}

const making = useMutation<Schemas['CopiesAnswer'], Problem>({
  mutationFn: () => answer(api.POST('/api/backups')),
  onSuccess: (all) => client.setQueryData(['backups'], all),
})
const looking = useMutation<Schemas['ExaminedAnswer'], Problem, string>({
  mutationFn: (name) => answer(api.GET('/api/backups/{name}', { params: { path: { name } } })),
})
const restoring = useMutation<Schemas['RestoredAnswer'], Problem, string>({
  mutationFn: (name) => answer(api.POST('/api/backups/{name}/restore', { params: { path: { name } } })),
  onSuccess: () => client.invalidateQueries(),
})
const examining = useMutation<Schemas['ExaminedAnswer'], Problem>({
  mutationFn: () => answer(api.GET('/api/doctor')),
})
const mending = useMutation<Schemas['MendedAnswer'], Problem>({
  mutationFn: () => answer(api.POST('/api/doctor/mend')),
  onSuccess: () => client.invalidateQueries(),
})

/** The copy that is looked into, and the one that is about to be put back. */
const opened = ref<string>()
const wanted = ref<string>()
function look(name: string) {
  opened.value = opened.value === name ? undefined : name
  wanted.value = undefined
  looking.reset()
  if (opened.value) looking.mutate(name)
}
const restore = (name: string) =>
  restoring.mutate(name, { onSuccess: () => (opened.value = wanted.value = undefined) })
const found = computed(() => mending.data.value?.now ?? examining.data.value)
function examine() {
  mending.reset()
  examining.mutate()
}
</script>

<template>
  <details class="card fold">
    <summary>
      <strong>Copies of all data</strong>
      <span v-if="copies.data.value" class="soft"
        >{{ copies.data.value.copies.length }} kept<template v-if="copies.data.value.copies[0]"
          >, the newest of {{ dayAndClock(copies.data.value.copies[0].at, zone) }}</template
        ></span
      >
      <span class="change">Open</span>
    </summary>
    <p v-if="copies.data.value" class="soft small">
      One is made every day, and before anything that could go wrong, in {{ copies.data.value.folder }}. The
      data takes {{ fileSize(copies.data.value.dataBytes) }}.
    </p>
    <FieldError :problem="(copies.error.value as Problem | null) ?? making.error.value" />
    <div class="actions">
      <Button
        label="Make a copy now"
        variant="outlined"
        :loading="making.isPending.value"
        @click="making.mutate()"
      />
      <Button
        label="Look the data through"
        variant="outlined"
        :loading="examining.isPending.value"
        @click="examine"
      />
    </div>
    <FieldError :problem="examining.error.value ?? mending.error.value" />
    <div v-if="found" class="note" :class="found.sound ? 'good' : 'caution'" role="status">
      <p>
        <strong>{{ found.sound ? 'All is sound.' : 'Something wants a look.' }}</strong>
      </p>
      <p v-for="words in mending.data.value?.done" :key="words">{{ words }}</p>
      <p v-if="mending.data.value?.done.length === 0">Nothing here mends by itself: put a copy back.</p>
      <ul>
        <li v-for="f in found.found" :key="f.words" :class="{ wants: !f.sound }">{{ f.words }}</li>
      </ul>
      <Button
        v-if="!found.sound && !mending.data.value"
        label="Mend what loses nothing"
        variant="outlined"
        :loading="mending.isPending.value"
        @click="mending.mutate()"
      />
    </div>
    <p v-if="restoring.data.value" class="note good" role="status">
      The copy is in its place. What was there is kept as {{ restoring.data.value.keptAs }}.
    </p>
    <ol v-if="copies.data.value" class="copies">
      <li v-for="c in copies.data.value.copies" :key="c.name">
        <span class="when">{{ dayAndClock(c.at, zone) }}</span>
        <span class="soft">{{ kinds[c.kind] }}, {{ fileSize(c.bytes) }}</span>
        <Button
          :label="opened === c.name ? 'Close' : 'Look into it'"
          variant="text"
          size="small"
          :aria-label="`${opened === c.name ? 'Close' : 'Look into'} the copy of ${dayAndClock(c.at, zone)}, ${kinds[c.kind]}`"
          :aria-expanded="opened === c.name"
          @click="look(c.name)"
        />
        <div v-if="opened === c.name" class="inside">
          <p v-if="looking.isPending.value" class="soft" role="status">Reading it through.</p>
          <FieldError :problem="looking.error.value ?? restoring.error.value" />
          <template v-if="looking.data.value">
            <ul>
              <li v-for="f in looking.data.value.found" :key="f.words" :class="{ wants: !f.sound }">
                {{ f.words }}
              </li>
            </ul>
            <Button
              v-if="wanted !== c.name"
              label="Put this copy back"
              variant="outlined"
              @click="wanted = c.name"
            />
            <template v-else>
              <p>
                Everything goes back to {{ dayAndClock(c.at, zone) }}; what was written since is kept as a
                copy, and phones that joined since then join again.
              </p>
              <div class="actions">
                <Button
                  label="Yes, put it back"
                  :loading="restoring.isPending.value"
                  @click="restore(c.name)"
                />
                <Button label="Leave all as it is" variant="text" @click="wanted = undefined" />
              </div>
            </template>
          </template>
        </div>
      </li>
    </ol>
  </details>
</template>

<style scoped>
details > * + * {
  margin-top: 10px;
}

.small,
.inside {
  overflow-wrap: anywhere;
}

.copies > li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  border-top: 1px solid var(--line);
}

.when {
  flex: 0 0 150px;
}

.inside {
  flex: 1 1 100%;
  display: grid;
  gap: 10px;
  justify-items: start;
  padding-bottom: 12px;
}

.wants {
  font-weight: 600;
}
</style>
