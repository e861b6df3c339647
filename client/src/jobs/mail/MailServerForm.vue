<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref, watch } from 'vue'
import { mailSecurityWords, options } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import NumberField from '@/kit/NumberField.vue'
import SelectField from '@/kit/SelectField.vue'
import type { Schemas } from '@/api/client'
import { useMails } from './useMails'

/** The household's own mail server, with a try before anything depends on it. */
const { server, keepServer, forgetServer, tryOut } = useMails()
const usualPort: Record<Schemas['MailSecurity'], number> = { startTls: 587, tls: 465, none: 25 }
const form = ref({
  host: '',
  port: usualPort.startTls as number | null,
  security: 'startTls' as Schemas['MailSecurity'],
  from: '',
  user: '',
  passPhrase: '',
})
watch(
  () => server.data.value?.server,
  (kept) => {
    if (!kept) return
    const { host, port, security, from, user } = kept
    form.value = { host, port, security, from, user: user ?? '', passPhrase: '' }
  },
  { immediate: true },
)
function secure(security: Schemas['MailSecurity']) {
  if (form.value.port === usualPort[form.value.security]) form.value.port = usualPort[security]
  form.value.security = security
}
const save = () =>
  keepServer.mutate({
    ...form.value,
    port: form.value.port ?? 0,
    user: form.value.user || null,
    passPhrase: form.value.passPhrase || null,
  })
const to = ref('')
</script>

<template>
  <section aria-labelledby="mail-server">
    <h3 id="mail-server">{{ tell('mail.mailServer') }}</h3>
    <p class="soft">
      {{ tell('mail.thatOfWhoeverBringsYourMail') }}
    </p>
    <form novalidate @submit.prevent="save">
      <label class="wide"
        >{{ tell('mail.server')
        }}<InputText v-model="form.host" :placeholder="tell('mail.mailExampleOrg')" maxlength="200"
      /></label>
      <SelectField
        class="wide"
        :model-value="form.security"
        :options="options(mailSecurityWords)"
        :label="tell('mail.keptFromBeingRead')"
        @update:model-value="secure"
      />
      <label
        >{{ tell('mail.port') }}<NumberField v-model="form.port" :aria-label="tell('mail.port')"
      /></label>
      <label
        >{{ tell('mail.lettersComeFrom') }}<InputText v-model="form.from" type="email" maxlength="200"
      /></label>
      <label
        >{{ tell('beds.name') }}<InputText v-model="form.user" autocomplete="off" maxlength="200"
      /></label>
      <label
        >{{ tell('home.passPhrase')
        }}<InputText
          v-model="form.passPhrase"
          type="password"
          autocomplete="new-password"
          maxlength="200"
          :placeholder="server.data.value?.server?.hasPassPhrase ? tell('mail.kept') : ''"
      /></label>
      <FieldError class="wide" :problem="keepServer.error.value" />
      <div class="wide deeds">
        <Button type="submit" :label="tell('bench.keepIt')" :loading="keepServer.isPending.value" />
        <Button
          v-if="server.data.value?.server"
          :label="tell('mail.forgetIt')"
          variant="text"
          @click="forgetServer.mutate()"
        />
      </div>
    </form>
    <form v-if="server.data.value?.server" novalidate @submit.prevent="tryOut.mutate(to)">
      <label class="wide"
        >{{ tell('mail.sendATry') }}<InputText v-model="to" type="email" maxlength="200"
      /></label>
      <Button
        type="submit"
        :label="tell('mail.tryIt')"
        variant="outlined"
        :disabled="!to"
        :loading="tryOut.isPending.value"
      />
      <FieldError class="wide" :problem="tryOut.error.value" />
      <p v-if="tryOut.isSuccess.value" class="wide" role="status">{{ tell('mail.theServerTook') }}</p>
    </form>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
  align-content: start;
}

form {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  align-items: end;
  gap: 8px;
}

label {
  display: grid;
  gap: 4px;
}

label :deep(input) {
  width: 100%;
}

.wide {
  grid-column: 1 / -1;
}

.deeds {
  display: flex;
  gap: 8px;
}
</style>
