<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useGarden } from '@/garden/useGarden'
import { linkWords, options, roleWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import { clock, day } from '@/kit/format'
import NumberField from '@/kit/NumberField.vue'
import SelectField from '@/kit/SelectField.vue'
import { useDevices } from './useDevices'

/** Phones that are in, a code for the next one, and links that open one thing. Shown to who keeps the garden. */
const { garden } = useGarden()
const { keeps, devices, links, invite, signOut, makeLink, endLink } = useDevices()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const who = ref<string>()
const member = computed(() => garden.value?.members.find((m) => m.id === who.value))
const guestDays = ref<number | null>(7)
const guestPlaces = ref<string[]>([])
const makeCode = () =>
  who.value &&
  invite.mutate({
    memberId: who.value,
    guestDays: member.value?.role === 'guest' ? guestDays.value : null,
    guestPlaces: member.value?.role === 'guest' && guestPlaces.value.length ? guestPlaces.value : null,
  })
const link = ref({ kind: 'calendar' as keyof typeof linkWords, name: '' })
</script>

<template>
  <details v-if="keeps" class="card fold">
    <summary>
      <strong>Phones and links</strong>
      <span class="soft"
        >{{
          devices.data.value?.length === 1 ? '1 device is' : `${devices.data.value?.length ?? 0} devices are`
        }}
        in</span
      >
      <span class="change">Change</span>
    </summary>
    <div class="columns">
      <section aria-labelledby="add-phone">
        <h3 id="add-phone">Add a phone</h3>
        <SelectField
          v-model="who"
          :options="
            (garden?.members ?? []).map((m) => ({ value: m.id, label: `${m.name}, ${roleWords[m.role]}` }))
          "
          label="Whose it is"
        />
        <template v-if="member?.role === 'guest'">
          <label>For how many days<NumberField v-model="guestDays" aria-label="For how many days" /></label>
          <fieldset>
            <legend>Where; none chosen for everywhere</legend>
            <label v-for="place in garden?.places" :key="place.id" class="tick">
              <input v-model="guestPlaces" type="checkbox" :value="place.id" /> {{ place.name }}
            </label>
          </fieldset>
        </template>
        <Button label="Make a code" :disabled="!who" :loading="invite.isPending.value" @click="makeCode" />
        <FieldError :problem="invite.error.value" />
        <div v-if="invite.data.value" class="code" role="status">
          <img
            :src="`data:image/svg+xml,${encodeURIComponent(invite.data.value.svg)}`"
            :alt="`Code for ${invite.data.value.name}`"
            width="240"
            height="240"
          />
          <p>
            For {{ invite.data.value.name }}: scan it with the phone's camera by
            {{ clock(invite.data.value.goodUntil, zone) }}. It is good once.
          </p>
          <p v-if="invite.data.value.fingerprint" class="soft">
            Does the phone warn of the certificate? Open
            <a :href="invite.data.value.trustAddress">{{ invite.data.value.trustAddress }}</a> on it first;
            the fingerprint is <code>{{ invite.data.value.fingerprint }}</code>
          </p>
        </div>
      </section>
      <section aria-labelledby="devices">
        <h3 id="devices">Devices that are in</h3>
        <ul>
          <li v-for="d in devices.data.value" :key="d.id">
            <span
              >{{ d.person }}, {{ d.device
              }}<span class="soft">{{
                d.this ? ', this one' : `, last seen ${day(d.lastSeenAt, zone)}`
              }}</span></span
            >
            <Button
              label="Sign out"
              variant="text"
              :aria-label="`Sign out: ${d.person}, ${d.device}`"
              @click="signOut.mutate(d.id)"
            />
          </li>
        </ul>
        <h3>Links</h3>
        <p class="soft">Each opens one thing to whoever has it, without signing in, until you end it.</p>
        <ul>
          <li v-for="l in links.data.value" :key="l.id">
            <span>{{ l.name }}: {{ linkWords[l.kind] }}</span>
            <Button
              label="End it"
              variant="text"
              :aria-label="`End the link for ${l.name}`"
              @click="endLink.mutate(l.id)"
            />
          </li>
        </ul>
        <form novalidate @submit.prevent="makeLink.mutate(link, { onSuccess: () => (link.name = '') })">
          <SelectField v-model="link.kind" :options="options(linkWords)" label="What it opens" />
          <label>Whom it is for<InputText v-model="link.name" maxlength="80" /></label>
          <Button type="submit" label="Make a link" variant="outlined" />
        </form>
        <FieldError :problem="makeLink.error.value" />
        <p v-if="makeLink.data.value" role="status">
          Copy it now, it is not shown again: <code>{{ makeLink.data.value.address }}</code>
        </p>
      </section>
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

section,
form,
.code {
  display: grid;
  gap: 8px;
  align-content: start;
}

label {
  display: grid;
  gap: 4px;
}

.tick {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}

.tick input {
  width: 20px;
  height: 20px;
}

code {
  word-break: break-all;
}

li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 4px 10px;
  border-top: 1px solid var(--line);
}
</style>
