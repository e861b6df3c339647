<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { useOutbox } from './useOutbox'

/** What waits on this device, and what the server would not have. Nothing when all is sent. */
const { waiting, refused, keepsNothing, flush, again, letGo } = useOutbox()
</script>

<template>
  <div
    v-if="keepsNothing || waiting.length + refused.length > 0"
    class="strip note caution no-print"
    role="status"
  >
    <p v-if="keepsNothing">{{ tell('outbox.thisDeviceKeepsNothing') }}</p>
    <p v-if="waiting.length > 0">
      {{
        waiting.length === 1
          ? tell('outbox.1EntryIsKeptOnThis')
          : tell('outbox.entriesAreKeptOnThisDevice', { waiting: waiting.length })
      }}
      <Button :label="tell('outbox.tryNow')" size="small" variant="outlined" @click="flush" />
    </p>
    <p v-for="parcel in refused" :key="parcel.key">
      {{ tell('outbox.wasNotTaken', { words: parcel.words, refused: parcel.refused }) }}
      <Button :label="tell('outbox.sendAgain')" size="small" variant="outlined" @click="again(parcel)" />
      <Button :label="tell('outbox.letItGo')" size="small" variant="outlined" @click="letGo(parcel.key)" />
    </p>
  </div>
</template>

<style scoped>
.strip {
  display: grid;
  gap: 6px;
  border-radius: 0;
  border-width: 0 0 1px;
}

p {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
}
</style>
