<script setup lang="ts">
import Button from 'primevue/button'
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import FieldError from '@/kit/FieldError.vue'
import PassPhrase from './PassPhrase.vue'
import { useEntry } from './useEntry'

/** Where a scanned code leads: the phone is in, once it said so. The code stands behind the hash, which no log keeps. */
const router = useRouter()
const { join } = useEntry()
const key = ref('')
onMounted(() => {
  key.value = window.location.hash.slice(1)
  // The code is not left in the history.
  window.history.replaceState(window.history.state, '', window.location.pathname)
})
</script>

<template>
  <div class="page narrow entry">
    <h1>Come in</h1>
    <template v-if="join.data.value">
      <p>
        Hello {{ join.data.value.name }}. This device is in, and stays in for 90 days after it was last used.
      </p>
      <PassPhrase
        v-if="join.data.value.keeper && !join.data.value.hasPassPhrase"
        :name="join.data.value.name"
        @done="router.replace({ name: 'board' })"
      />
      <Button v-else label="To the garden" size="large" @click="router.replace({ name: 'board' })" />
    </template>
    <template v-else-if="key">
      <p>This device joins the household of the garden that the code is from.</p>
      <Button
        label="Join with this device"
        size="large"
        :loading="join.isPending.value"
        @click="join.mutate(key)"
      />
      <FieldError :problem="join.error.value" />
    </template>
    <template v-else>
      <p>
        Ask whoever keeps the garden for a code: it is made under Garden, Household, and is good for ten
        minutes. Scan it with this device's camera.
      </p>
      <Button
        label="Sign in with a pass phrase"
        variant="outlined"
        @click="router.push({ name: 'sign-in' })"
      />
    </template>
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  gap: 16px;
  justify-items: start;
  padding-top: 32px;
}
</style>
