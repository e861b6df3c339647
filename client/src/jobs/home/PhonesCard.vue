<script setup lang="ts">
import { tell } from '@/language'
import ToldAround from '@/kit/ToldAround.vue'
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
      <strong>{{ tell('home.phonesAndLinks') }}</strong>
      <span class="soft">{{
        devices.data.value?.length === 1
          ? tell('home.1Device')
          : tell('home.devicesAre', { data: devices.data.value?.length ?? 0 })
      }}</span>
      <span class="change">{{ tell('beds.change') }}</span>
    </summary>
    <div class="columns">
      <section aria-labelledby="add-phone">
        <h2 id="add-phone">{{ tell('home.addAPhone') }}</h2>
        <SelectField
          v-model="who"
          :options="
            (garden?.members ?? []).map((m) => ({ value: m.id, label: `${m.name}, ${roleWords[m.role]}` }))
          "
          :label="tell('home.whoseIt')"
        />
        <template v-if="member?.role === 'guest'">
          <label
            >{{ tell('home.forHowManyDays')
            }}<NumberField v-model="guestDays" :aria-label="tell('home.forHowManyDays')"
          /></label>
          <fieldset>
            <legend>{{ tell('home.whereNoneChosenForEverywhere') }}</legend>
            <label v-for="place in garden?.places" :key="place.id" class="tick">
              <input v-model="guestPlaces" type="checkbox" :value="place.id" /> {{ place.name }}
            </label>
          </fieldset>
        </template>
        <Button
          :label="tell('home.makeACode')"
          :disabled="!who"
          :loading="invite.isPending.value"
          @click="makeCode"
        />
        <FieldError :problem="invite.error.value" />
        <div v-if="invite.data.value" class="code" role="status">
          <img
            :src="`data:image/svg+xml,${encodeURIComponent(invite.data.value.svg)}`"
            :alt="tell('home.codeFor', { data: invite.data.value.name })"
            width="240"
            height="240"
          />
          <p>
            {{
              tell('home.forScanItWithThePhones', {
                data: invite.data.value.name,
                goodUntil: clock(invite.data.value.goodUntil, zone),
              })
            }}
          </p>
          <p v-if="invite.data.value.fingerprint" class="soft">
            <ToldAround :sentence="(it) => tell('home.doesThePhoneWarn', { it })"
              ><a :href="invite.data.value.trustAddress">{{ invite.data.value.trustAddress }}</a></ToldAround
            >
            <ToldAround :sentence="(it) => ' ' + tell('home.theFingerprintIs', { it })"
              ><code>{{ invite.data.value.fingerprint }}</code></ToldAround
            >
          </p>
        </div>
      </section>
      <section aria-labelledby="devices">
        <h2 id="devices">{{ tell('home.devicesThat') }}</h2>
        <ul>
          <li v-for="d in devices.data.value" :key="d.id">
            <span
              >{{ d.person }}, {{ d.device }}
              <span class="soft">{{
                d.this ? tell('home.thisOne') : tell('home.lastSeen', { lastSeenAt: day(d.lastSeenAt, zone) })
              }}</span></span
            >
            <Button
              :label="tell('home.signOut')"
              variant="text"
              :aria-label="tell('home.signOut2', { person: d.person, device: d.device })"
              @click="signOut.mutate(d.id)"
            />
          </li>
        </ul>
        <h2>{{ tell('home.links') }}</h2>
        <p class="soft">{{ tell('home.eachOpensOneThingToWhoever') }}</p>
        <ul>
          <li v-for="l in links.data.value" :key="l.id">
            <span>{{ l.name }}: {{ linkWords[l.kind] }}</span>
            <Button
              :label="tell('home.endIt')"
              variant="text"
              :aria-label="tell('home.endTheLink', { it: l.name })"
              @click="endLink.mutate(l.id)"
            />
          </li>
        </ul>
        <form novalidate @submit.prevent="makeLink.mutate(link, { onSuccess: () => (link.name = '') })">
          <SelectField v-model="link.kind" :options="options(linkWords)" :label="tell('home.whatItOpens')" />
          <label>{{ tell('home.whomIt') }}<InputText v-model="link.name" maxlength="80" /></label>
          <Button type="submit" :label="tell('home.makeALink')" variant="outlined" />
        </form>
        <FieldError :problem="makeLink.error.value" />
        <p v-if="makeLink.data.value" role="status">
          {{ tell('home.copyItNowItIsNot') }} <code>{{ makeLink.data.value.address }}</code>
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
