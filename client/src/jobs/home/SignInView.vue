<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import FieldError from '@/kit/FieldError.vue'
import { useOutbox } from '@/outbox/useOutbox'
import { useEntry } from './useEntry'
import { canPasskey, usePasskeys } from './usePasskeys'

/** For a device that is not in, or not any more. What waits on it is kept. */
const route = useRoute()
const router = useRouter()
const { signIn } = useEntry()
const { waiting } = useOutbox()
const name = ref('')
const passPhrase = ref('')
const passkeys = usePasskeys()
const onward = {
  onSuccess: () =>
    router.replace(
      typeof route.query.to === 'string' && route.query.to.startsWith('/') ? route.query.to : '/',
    ),
}
const enter = () => signIn.mutate({ name: name.value, passPhrase: passPhrase.value }, onward)
</script>

<template>
  <div class="page narrow way-in">
    <h1>{{ tell('home.signIn') }}</h1>
    <p>{{ tell('home.thisDeviceIsNotInScan') }}</p>
    <p v-if="waiting.length" class="note caution">
      {{ tell('home.entriesWaitOnThisDevice', { n: waiting.length }) }}
    </p>
    <form novalidate @submit.prevent="enter">
      <label
        >{{ tell('beds.name') }}<InputText v-model="name" maxlength="80" autocomplete="username"
      /></label>
      <label
        >{{ tell('home.passPhrase')
        }}<InputText v-model="passPhrase" type="password" maxlength="200" autocomplete="current-password"
      /></label>
      <FieldError :problem="signIn.error.value" />
      <Button type="submit" :label="tell('home.signIn')" size="large" :loading="signIn.isPending.value" />
    </form>
    <template v-if="canPasskey()">
      <Button
        :label="tell('home.signInWithAPasskey')"
        variant="outlined"
        size="large"
        :loading="passkeys.signIn.isPending.value"
        @click="passkeys.signIn.mutate(undefined, onward)"
      />
      <FieldError :problem="passkeys.signIn.error.value" />
    </template>
  </div>
</template>

<style scoped>
.way-in,
form,
label {
  display: grid;
  gap: 12px;
}

.way-in {
  padding-top: 32px;
}

form {
  justify-items: start;
}

label {
  gap: 4px;
  width: min(100%, 360px);
}
</style>
