<script setup lang="ts">
import { tell } from '@/language'
/** The waiting and the failing state of a view that reads something. */
defineProps<{ pending: boolean; error: Error | null; retry?: () => unknown }>()
</script>

<template>
  <p v-if="error" class="note stop" role="alert">
    {{ error.message }}
    <button v-if="retry" class="again" @click="retry">{{ tell('kit.tryAgain') }}</button>
  </p>
  <p v-else-if="pending" class="soft" role="status">{{ tell('kit.oneMoment') }}</p>
</template>

<style scoped>
.again {
  margin-left: 8px;
  min-height: 36px;
  border: 1px solid currentcolor;
  border-radius: var(--radius);
  background: none;
  color: inherit;
  cursor: pointer;
}
</style>
