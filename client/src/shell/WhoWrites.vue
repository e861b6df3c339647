<script setup lang="ts">
import { tell } from '@/language'
import Select from 'primevue/select'
import type { Garden } from '@/garden/useGarden'

/** Who of the household writes on this device. */
defineProps<{ members: Garden['members'] }>()
const member = defineModel<string | null>({ required: true })
</script>

<template>
  <Select
    v-model="member"
    class="who"
    :options="members"
    option-label="name"
    option-value="id"
    :aria-label="tell('shell.whoIsWriting')"
  />
</template>

<style scoped>
.who {
  align-items: center;
  min-height: 36px;
  background: transparent;
  border-color: var(--frame-line);
}

.who :deep(.p-select-label),
.who :deep(.p-select-dropdown) {
  color: var(--frame-ink);
  padding-block: 4px;
}

@media (max-width: 640px) {
  .who {
    min-height: 44px;
    border: 0;
  }
}
</style>
