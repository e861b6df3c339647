<script setup lang="ts">
import { tell, remarked } from '@/language'
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { answer, api, type Problem, type Schemas } from '@/api/client'
import { readAnew } from '@/garden/readAnew'
import { useGarden } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import { dayAndClock, fileSize } from '@/kit/format'

/** The copies of all data, to look into and to put back, and the data looked through. */
const client = useQueryClient()
const { garden } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const copies = useQuery({ queryKey: ['backups'], queryFn: () => answer(api.GET('/api/backups')) })
const kinds: Record<Schemas['CopyKind'], string> = {
  day: tell('archive.ofTheDay'),
  byHand: tell('archive.madeByHand'),
  beforeMerge: tell('archive.beforeAFileWasBrought'),
  beforeSchema: tell('archive.beforeANewVersion'),
  beforeRestore: tell('archive.beforeAnotherCopyWasPutBack'),
  beforeMend: tell('archive.beforeTheDataWasMended'),
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
  onSuccess: () => readAnew(client),
})
const examining = useMutation<Schemas['ExaminedAnswer'], Problem>({
  mutationFn: () => answer(api.GET('/api/doctor')),
})
const mending = useMutation<Schemas['MendedAnswer'], Problem>({
  mutationFn: () => answer(api.POST('/api/doctor/mend')),
  onSuccess: () => readAnew(client),
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
      <strong>{{ tell('archive.copiesOfAllData') }}</strong>
      <span v-if="copies.data.value" class="soft">{{
        remarked(
          tell('archive.kept', { copies: copies.data.value.copies.length }),
          copies.data.value.copies[0] &&
            tell('archive.theNewest', { dayAndClock: dayAndClock(copies.data.value.copies[0].at, zone) }),
        )
      }}</span>
      <span class="change">{{ tell('archive.open') }}</span>
    </summary>
    <p v-if="copies.data.value" class="soft small">
      {{
        tell('archive.oneIsMadeEveryDay', {
          folder: copies.data.value.folder,
          fileSize: fileSize(copies.data.value.dataBytes),
        })
      }}
    </p>
    <FieldError :problem="(copies.error.value as Problem | null) ?? making.error.value" />
    <div class="actions">
      <Button
        :label="tell('archive.makeACopyNow')"
        variant="outlined"
        :loading="making.isPending.value"
        @click="making.mutate()"
      />
      <Button
        :label="tell('archive.lookTheDataThrough')"
        variant="outlined"
        :loading="examining.isPending.value"
        @click="examine"
      />
    </div>
    <FieldError :problem="examining.error.value ?? mending.error.value" />
    <div v-if="found" class="note" :class="found.sound ? 'good' : 'caution'" role="status">
      <p>
        <strong>{{ found.sound ? tell('archive.allIsSound') : tell('archive.somethingWantsALook') }}</strong>
      </p>
      <p v-for="words in mending.data.value?.done" :key="words">{{ words }}</p>
      <p v-if="mending.data.value?.done.length === 0">{{ tell('archive.nothingHereMendsByItselfPut') }}</p>
      <ul>
        <li v-for="f in found.found" :key="f.words" :class="{ wants: !f.sound }">{{ f.words }}</li>
      </ul>
      <Button
        v-if="!found.sound && !mending.data.value"
        :label="tell('archive.mendWhatLosesNothing')"
        variant="outlined"
        :loading="mending.isPending.value"
        @click="mending.mutate()"
      />
    </div>
    <p v-if="restoring.data.value" class="note good" role="status">
      {{ tell('archive.theCopyIsInItsPlace', { keptAs: restoring.data.value.keptAs }) }}
    </p>
    <ol v-if="copies.data.value" class="copies">
      <li v-for="c in copies.data.value.copies" :key="c.name">
        <span class="when">{{ dayAndClock(c.at, zone) }}</span>
        <span class="soft">{{ kinds[c.kind] }}, {{ fileSize(c.bytes) }}</span>
        <Button
          :label="opened === c.name ? tell('archive.close') : tell('archive.lookInto')"
          variant="text"
          size="small"
          :aria-label="
            opened === c.name
              ? tell('archive.closeTheCopy', { dayAndClock: dayAndClock(c.at, zone), kinds: kinds[c.kind] })
              : tell('archive.lookIntoTheCopy', {
                  dayAndClock: dayAndClock(c.at, zone),
                  kinds: kinds[c.kind],
                })
          "
          :aria-expanded="opened === c.name"
          @click="look(c.name)"
        />
        <div v-if="opened === c.name" class="inside">
          <p v-if="looking.isPending.value" class="soft" role="status">
            {{ tell('archive.readingItThrough') }}
          </p>
          <FieldError :problem="looking.error.value ?? restoring.error.value" />
          <template v-if="looking.data.value">
            <ul>
              <li v-for="f in looking.data.value.found" :key="f.words" :class="{ wants: !f.sound }">
                {{ f.words }}
              </li>
            </ul>
            <Button
              v-if="wanted !== c.name"
              :label="tell('archive.putThisCopyBack')"
              variant="outlined"
              @click="wanted = c.name"
            />
            <template v-else>
              <p>
                {{ tell('archive.everythingGoesBackToWhat', { dayAndClock: dayAndClock(c.at, zone) }) }}
              </p>
              <div class="actions">
                <Button
                  :label="tell('archive.yesPutItBack')"
                  :loading="restoring.isPending.value"
                  @click="restore(c.name)"
                />
                <Button :label="tell('archive.leaveAll')" variant="text" @click="wanted = undefined" />
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
