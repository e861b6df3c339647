<script setup lang="ts">
/** The waiting and the failing state of a view that reads something. */
defineProps<{ pending: boolean; error: Error | null; retry?: () => unknown }>()
</script>

<template>
  <p v-if="error" class="note stop" role="alert">
    {{ error.message }}
    <button v-if="retry" class="again" @click="retry">Try again</button>
  </p>
  <p v-else-if="pending" class="soft" role="status">One moment.</p>
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
