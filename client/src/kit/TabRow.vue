<script setup lang="ts">
/** Screens beside each other, the open one marked. */
defineProps<{ label: string; links: readonly { name: string; label: string }[] }>()
</script>

<template>
  <nav class="no-print" :aria-label="label">
    <RouterLink v-for="link in links" :key="link.name" :to="{ name: link.name }">{{ link.label }}</RouterLink>
  </nav>
</template>

<style scoped>
nav {
  display: flex;
  flex-wrap: wrap;
  gap: 0 4px;
  border-bottom: 1px solid var(--line);
}

a {
  padding: 10px 12px;
  min-height: 44px;
  color: var(--ink-soft);
  text-decoration: none;
  border-bottom: 3px solid transparent;
}

.router-link-exact-active {
  color: var(--ink);
  font-weight: 600;
  border-color: var(--mauve);
}
</style>
