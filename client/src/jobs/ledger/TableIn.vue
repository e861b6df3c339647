<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { ref } from 'vue'
import { answer, api } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'

/** A table of records brought in: looked at first, then taken in whole or not at all. */
const { memberId } = useGarden()
const input = ref<HTMLInputElement>()
const text = ref('')
const preview = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/ledger/table/preview', {
      params: { path: { gardenId } },
      body: { text: text.value },
    }),
  ),
)
const taking = useGardenWrite((gardenId) =>
  answer(
    api.POST('/api/gardens/{gardenId}/ledger/table', {
      params: { path: { gardenId } },
      body: { text: text.value, memberId: memberId.value },
    }),
  ),
)
async function choose(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  taking.reset()
  text.value = await file.text()
  preview.mutate()
}
async function go() {
  if (!(await taking.mutateAsync().catch(() => null))) return
  text.value = ''
  preview.reset()
  if (input.value) input.value.value = ''
}
</script>

<template>
  <details class="card no-print">
    <summary>
      <strong>{{ tell('ledger.bringInATable') }}</strong>
    </summary>
    <div class="stack">
      <p class="soft">
        {{ tell('ledger.aTableAsItIsSaved') }}
      </p>
      <input
        ref="input"
        type="file"
        accept=".csv,text/csv"
        :aria-label="tell('ledger.tableOfRecords')"
        @change="choose"
      />
      <FieldError :problem="preview.error.value ?? taking.error.value" />
      <p v-if="taking.data.value" class="note good" role="status">
        {{
          tell('ledger.broughtInWereHereAlready', {
            fresh: taking.data.value.fresh,
            here: taking.data.value.here,
          })
        }}
      </p>
      <template v-else-if="preview.data.value && text">
        <div v-if="preview.data.value.faults.length" class="note stop" role="alert">
          <p>{{ tell('ledger.nothingCanBeBroughtInBefore') }}</p>
          <ul>
            <li v-for="f in preview.data.value.faults" :key="f">{{ f }}</li>
          </ul>
        </div>
        <template v-else>
          <p role="status">
            {{
              tell('ledger.newHereAlready', {
                fresh: preview.data.value.fresh,
                here: preview.data.value.here,
              })
            }}
          </p>
          <Button
            :label="tell('ledger.bringIn', { fresh: preview.data.value.fresh })"
            :disabled="preview.data.value.fresh === 0"
            :loading="taking.isPending.value"
            @click="go"
          />
        </template>
      </template>
    </div>
  </details>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 10px;
}

summary {
  min-height: 32px;
}
</style>
