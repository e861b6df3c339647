<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import FieldError from '@/kit/FieldError.vue'
import { useEntry } from './useEntry'
import { canPasskey, usePasskeys } from './usePasskeys'

/** The keeper's own way in, for when no device is. */
const props = defineProps<{ name: string }>()
const emit = defineEmits<{ done: [] }>()
const { setPassPhrase } = useEntry()
const { add } = usePasskeys()
const name = ref(props.name)
const passPhrase = ref('')
const save = () =>
  setPassPhrase.mutate({ name: name.value, passPhrase: passPhrase.value }, { onSuccess: () => emit('done') })
const byPasskey = () => add.mutate(name.value, { onSuccess: () => emit('done') })
</script>

<template>
  <form novalidate @submit.prevent="save">
    <p>{{ tell('home.youKeepThisMauvaiseChoose') }}</p>
    <label
      >{{ tell('home.yourName') }}<InputText v-model="name" maxlength="80" autocomplete="username"
    /></label>
    <FieldError :problem="setPassPhrase.error.value ?? add.error.value" field="name" />
    <label
      >{{ tell('home.passPhrase12LettersOrMore') }}
      <InputText v-model="passPhrase" type="password" maxlength="200" autocomplete="new-password" />
    </label>
    <FieldError :problem="setPassPhrase.error.value" field="passPhrase" />
    <FieldError :problem="setPassPhrase.error.value" :shown="['name', 'passPhrase']" />
    <Button
      type="submit"
      :label="tell('home.keepItAndToTheGarden')"
      size="large"
      :loading="setPassPhrase.isPending.value"
    />
    <template v-if="canPasskey()">
      <Button
        :label="tell('home.aPasskeyInstead')"
        variant="outlined"
        :loading="add.isPending.value"
        @click="byPasskey"
      />
      <FieldError :problem="add.error.value" :shown="['name']" />
    </template>
  </form>
</template>

<style scoped>
form,
label {
  display: grid;
  gap: 8px;
}

form {
  justify-items: start;
}

label {
  width: min(100%, 360px);
}
</style>
