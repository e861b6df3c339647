<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { ref, watch } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import { options, roleWords } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import NumberField from '@/kit/NumberField.vue'

/** Who gardens here, and what they spray with. What is written is saved when the field is left. */
const { garden, memberId } = useGarden()
const people = ref<Schemas['MemberAnswer'][]>([])
const sprayers = ref<{ id: string; name: string; capacityLitres: number | null }[]>([])
// Only what changed on the server replaces what stands here: half-written words are kept.
watch(
  () => JSON.stringify([garden.value?.members, garden.value?.sprayers]),
  () => {
    people.value = (garden.value?.members ?? []).map((m) => ({ ...m }))
    sprayers.value = (garden.value?.sprayers ?? []).map((x) => ({ ...x }))
  },
  { immediate: true },
)
const somebody = ref('')
const tool = ref({ name: '', capacityLitres: null as number | null })

const calling = useGardenWrite((gardenId, { id, name, role }: Schemas['MemberAnswer']) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/members/{memberId}', {
      params: { path: { gardenId, memberId: id } },
      body: { name, role, memberId: memberId.value },
    }),
  ),
)
const keeping = useGardenWrite((gardenId, x: { id: string; name: string; capacityLitres: number | null }) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/sprayers/{sprayerId}', {
      params: { path: { gardenId, sprayerId: x.id } },
      body: { name: x.name, capacityLitres: x.capacityLitres ?? 0, memberId: memberId.value },
    }),
  ),
)
const removing = useGardenWrite((gardenId, id: string) =>
  answer(
    api.DELETE('/api/gardens/{gardenId}/sprayers/{sprayerId}', {
      params: { path: { gardenId, sprayerId: id }, query: { memberId: memberId.value ?? undefined } },
    }),
  ),
)
const addPerson = () =>
  calling.mutate(
    { id: crypto.randomUUID(), name: somebody.value, role: 'helper' },
    { onSuccess: () => (somebody.value = '') },
  )
const addSprayer = () =>
  keeping.mutate(
    { id: crypto.randomUUID(), ...tool.value },
    { onSuccess: () => (tool.value = { name: '', capacityLitres: null }) },
  )
</script>

<template>
  <details class="card fold">
    <summary>
      <strong>{{ tell('beds.householdAndSprayers') }}</strong>
      <span class="soft"
        >{{ garden?.members.map((m) => m.name).join(', ') }} ·
        {{ garden?.sprayers.map((x) => x.holds).join(', ') }}</span
      >
      <span class="change">{{ tell('beds.change') }}</span>
    </summary>
    <div class="columns">
      <section aria-labelledby="people">
        <h2 id="people">{{ tell('beds.whoGardensHere') }}</h2>
        <p class="soft">{{ tell('beds.theLogNamesWhoDidWhat') }}</p>
        <div v-for="p in people" :key="p.id" class="person">
          <InputText
            v-model="p.name"
            maxlength="80"
            :aria-label="tell('beds.nameOf', { it: p.name })"
            @change="calling.mutate(p)"
          />
          <Select
            v-model="p.role"
            :options="options(roleWords)"
            option-label="label"
            option-value="value"
            :aria-label="tell('beds.whatMayDo', { it: p.name })"
            @update:model-value="calling.mutate(p)"
          />
        </div>
        <form novalidate @submit.prevent="addPerson">
          <InputText
            v-model="somebody"
            maxlength="80"
            :aria-label="tell('beds.somebodyElse')"
            :placeholder="tell('beds.somebodyElse')"
          />
          <Button
            type="submit"
            :label="tell('beds.add')"
            variant="outlined"
            :aria-label="tell('beds.addSomebody')"
          />
        </form>
        <FieldError :problem="calling.error.value" field="name" />
        <FieldError :problem="calling.error.value" field="role" />
        <FieldError :problem="calling.error.value" :shown="['name', 'role']" />
      </section>
      <section aria-labelledby="sprayers">
        <h2 id="sprayers">{{ tell('beds.sprayers') }}</h2>
        <p class="soft">{{ tell('beds.theBenchFillsTheSmallestOne') }}</p>
        <div v-for="x in sprayers" :key="x.id" class="sprayer">
          <InputText
            v-model="x.name"
            maxlength="80"
            :aria-label="tell('beds.nameOf', { it: x.name })"
            @change="keeping.mutate(x)"
          />
          <NumberField
            v-model="x.capacityLitres"
            quantity="volume"
            :aria-label="tell('beds.whatHolds', { it: x.name })"
            lazy
            @update:model-value="keeping.mutate(x)"
          />
          <Button
            :label="tell('beds.gone')"
            variant="text"
            :aria-label="tell('beds.isGone', { it: x.name })"
            @click="removing.mutate(x.id)"
          />
        </div>
        <form class="sprayer" novalidate @submit.prevent="addSprayer">
          <InputText
            v-model="tool.name"
            maxlength="80"
            :aria-label="tell('beds.anotherSprayer')"
            :placeholder="tell('beds.anotherSprayer')"
          />
          <NumberField
            v-model="tool.capacityLitres"
            quantity="volume"
            :placeholder="tell('beds.holds')"
            :aria-label="tell('beds.whatItHolds')"
          />
          <Button
            type="submit"
            :label="tell('beds.add')"
            variant="outlined"
            :aria-label="tell('beds.addASprayer')"
          />
        </form>
        <FieldError :problem="keeping.error.value" field="name" />
        <FieldError :problem="keeping.error.value" field="capacityLitres" />
        <FieldError
          :problem="keeping.error.value ?? removing.error.value"
          :shown="['name', 'capacityLitres']"
        />
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

section {
  display: grid;
  gap: 8px;
  align-content: start;
}

form {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
}

.person {
  display: grid;
  grid-template-columns: 1fr 184px;
  gap: 8px;
}

.sprayer {
  display: grid;
  grid-template-columns: 1fr 92px 72px;
  gap: 8px;
}

.sprayer :deep(input) {
  width: 100%;
  min-width: 0;
}
</style>
