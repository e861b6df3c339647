<script setup lang="ts">
import Button from 'primevue/button'
import { useOutbox } from './useOutbox'

/** What waits on this device, and what the server would not have. Nothing when all is sent. */
const { waiting, refused, flush, again, letGo } = useOutbox()
</script>

<template>
  <div v-if="waiting.length + refused.length > 0" class="strip note caution no-print" role="status">
    <p v-if="waiting.length > 0">
      {{ waiting.length === 1 ? '1 entry is' : `${waiting.length} entries are` }} kept on this device until
      the network is back.
      <Button label="Try now" size="small" variant="outlined" @click="flush" />
    </p>
    <p v-for="parcel in refused" :key="parcel.key">
      {{ parcel.words }} was not taken: {{ parcel.refused }}
      <Button label="Send again" size="small" variant="outlined" @click="again(parcel)" />
      <Button label="Let it go" size="small" variant="outlined" @click="letGo(parcel.key)" />
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
