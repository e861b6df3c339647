<script setup lang="ts">
import { tell } from '@/language'
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
  <div class="page narrow way-in">
    <h1>{{ tell('home.comeIn') }}</h1>
    <template v-if="join.data.value">
      <p>
        {{ tell('home.helloThisDevice', { data: join.data.value.name }) }}
      </p>
      <PassPhrase
        v-if="join.data.value.keeper && !join.data.value.hasWayIn"
        :name="join.data.value.name"
        @done="router.replace({ name: 'board' })"
      />
      <Button
        v-else
        :label="tell('home.toTheGarden')"
        size="large"
        @click="router.replace({ name: 'board' })"
      />
    </template>
    <template v-else-if="key">
      <p>{{ tell('home.thisDeviceJoinsTheHousehold') }}</p>
      <Button
        :label="tell('home.joinWithThisDevice')"
        size="large"
        :loading="join.isPending.value"
        @click="join.mutate(key)"
      />
      <FieldError :problem="join.error.value" />
    </template>
    <template v-else>
      <p>
        {{ tell('home.askWhoeverKeepsTheGarden') }}
      </p>
      <Button
        :label="tell('home.signInWithAPassPhrase')"
        variant="outlined"
        @click="router.push({ name: 'sign-in' })"
      />
    </template>
  </div>
</template>

<style scoped>
.way-in {
  display: grid;
  gap: 16px;
  justify-items: start;
  padding-top: 32px;
}
</style>
