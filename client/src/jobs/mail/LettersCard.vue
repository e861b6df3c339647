<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useGarden } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import { dayAndClock } from '@/kit/format'
import MailServerForm from './MailServerForm.vue'
import { useMails } from './useMails'

/** Who gets a short letter when something is to be done in the evening. */
const { garden } = useGarden()
const { keeps, mails, keep, end } = useMails()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const usual = '17:00'
const fresh = () => ({ id: crypto.randomUUID(), address: '', at: usual })
const adding = ref(fresh())
const add = () =>
  keep.mutate(
    { ...adding.value, at: `${adding.value.at || usual}:00` },
    { onSuccess: () => (adding.value = fresh()) },
  )
const later = (id: string, address: string, at: string | undefined) =>
  at && keep.mutate({ id, address, at: `${at}:00` })
</script>

<template>
  <details v-if="keeps && mails.data.value" class="card fold">
    <summary>
      <strong>{{ tell('mail.lettersInTheEvening') }}</strong>
      <span class="soft">{{
        mails.data.value.mails.length === 0
          ? tell('mail.nobodyGetsOne')
          : mails.data.value.mails.map((m) => m.address).join(', ')
      }}</span>
      <span class="change">{{ tell('beds.change') }}</span>
    </summary>
    <div class="columns">
      <section aria-labelledby="letters">
        <h3 id="letters">{{ tell('mail.whoGetsThem') }}</h3>
        <p class="soft">
          {{
            mails.data.value.next
              ? tell('mail.aLetterGoesOnlyWhenSomething', { next: mails.data.value.next })
              : tell('mail.aLetterGoesOnlyWhenSomething2')
          }}
        </p>
        <ul v-if="mails.data.value.mails.length > 0">
          <li v-for="m in mails.data.value.mails" :key="m.id">
            <div>
              {{ m.address }}
              <span v-if="m.fault" class="warn small" role="status">{{
                tell('mail.triedAndAgainInAQuarter', {
                  fault: m.fault,
                  dayAndClock: dayAndClock(m.failedAt!, zone),
                })
              }}</span>
              <span v-else-if="m.sentAt" class="soft small">{{
                tell('mail.last', { dayAndClock: dayAndClock(m.sentAt, zone) })
              }}</span>
            </div>
            <label class="at"
              >{{ tell('mail.notBefore')
              }}<InputText
                type="time"
                :model-value="m.at.slice(0, 5)"
                :aria-label="tell('mail.notBefore2', { address: m.address })"
                @change="later(m.id, m.address, ($event.target as HTMLInputElement).value)"
            /></label>
            <Button
              :label="tell('mail.takeOff')"
              variant="text"
              :aria-label="tell('mail.takeOff2', { address: m.address })"
              @click="end.mutate(m.id)"
            />
          </li>
        </ul>
        <form novalidate @submit.prevent="add">
          <label
            >{{ tell('mail.address')
            }}<InputText v-model="adding.address" type="email" autocomplete="email" maxlength="200"
          /></label>
          <label>{{ tell('mail.notBefore3') }}<InputText v-model="adding.at" type="time" /></label>
          <Button type="submit" :label="tell('beds.add')" :loading="keep.isPending.value" />
        </form>
        <FieldError :problem="keep.error.value" />
        <p v-if="mails.data.value.letters">
          {{ tell('mail.inTheDemoNothingLeavesThis') }}
          <a :href="mails.data.value.letters" target="_blank" rel="noreferrer">{{
            tell('mail.readTheLettersHere')
          }}</a>.
        </p>
      </section>
      <MailServerForm />
    </div>
  </details>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 360px), 1fr));
  gap: 24px;
  padding-top: 10px;
}

section {
  display: grid;
  gap: 8px;
  align-content: start;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
  border-top: 1px solid var(--line);
  padding: 4px 0;
}

li > div {
  display: grid;
  flex: 1 1 180px;
  overflow-wrap: anywhere;
}

.at {
  display: flex;
  align-items: center;
  gap: 6px;
}

form {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px;
}

form label {
  display: grid;
  flex: 1 1 140px;
  gap: 4px;
}

form input {
  width: 100%;
}
</style>
