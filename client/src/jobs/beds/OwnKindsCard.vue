<script setup lang="ts">
import { tell } from '@/language'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { keys, useGarden, useGardenWrite } from '@/garden/useGarden'
import { useOwnKinds } from '@/garden/useOwnKinds'
import { useNames } from '@/garden/useTargets'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import { inSentence } from '@/kit/format'

/** What the garden holds and the catalogue does not: under its own name, by the facts of what it is most like. */
const { memberId } = useGarden()
const { all } = useOwnKinds()
const { listed, groups } = useNames()
const crops = useQuery({
  queryKey: keys.catalogue('crops'),
  queryFn: () => answer(api.GET('/api/catalogue/crops')),
  staleTime: Infinity,
})
const of = ref<Schemas['OwnKindOf']>('crop')
const name = ref('')
const like = ref<string>()
const choices = computed(() =>
  of.value === 'crop'
    ? (crops.data.value ?? [])
        .map((c) => ({ value: c.id, label: c.name }))
        .sort((a, b) => a.label.localeCompare(b.label))
    : [...groups.value, ...listed.value],
)
const saving = useGardenWrite(
  (gardenId, kind: { id: string } & Omit<Schemas['OwnKindChange'], 'memberId'>) => {
    const { id, ...body } = kind
    return answer(
      api.PUT('/api/gardens/{gardenId}/own-kinds/{kindId}', {
        params: { path: { gardenId, kindId: id } },
        body: { ...body, memberId: memberId.value },
      }),
    )
  },
)
async function add() {
  const added = await saving
    .mutateAsync({
      id: crypto.randomUUID(),
      of: of.value,
      name: name.value,
      like: like.value ?? '',
      retired: false,
    })
    .catch(() => null)
  if (!added) return
  name.value = ''
  like.value = undefined
}
</script>

<template>
  <section class="card" aria-labelledby="own-kinds">
    <h2 id="own-kinds">{{ tell('beds.cropsAndTroublesOfYourOwn') }}</h2>
    <p class="soft">
      {{ tell('beds.whatIsInNoListHere') }}
    </p>
    <ul v-if="all?.length">
      <li v-for="k in all" :key="k.id" :class="{ soft: k.retired }">
        <span>
          <strong>{{ k.name }}</strong>,
          {{ tell('beds.aLike', { of: k.of, likeName: inSentence(k.likeName) }) }}
        </span>
        <Button
          :label="k.retired ? tell('beds.offerItAgain') : tell('beds.putAway')"
          size="small"
          variant="text"
          :aria-label="
            k.retired ? tell('beds.offerItAgain2', { it: k.name }) : tell('beds.putAway2', { it: k.name })
          "
          @click="saving.mutate({ id: k.id, of: k.of, name: k.name, like: k.like, retired: !k.retired })"
        />
      </li>
    </ul>
    <form novalidate @submit.prevent="add">
      <SelectButton
        v-model="of"
        :options="[
          { value: 'crop', label: tell('beds.aCrop') },
          { value: 'trouble', label: tell('beds.aTrouble') },
        ]"
        option-label="label"
        option-value="value"
        :allow-empty="false"
        :aria-label="tell('beds.whatIt')"
        @update:model-value="like = undefined"
      />
      <div class="field">
        <label for="own-kind-name">{{ tell('beds.yourName') }}</label>
        <InputText id="own-kind-name" v-model="name" maxlength="80" />
        <FieldError :problem="saving.error.value" field="name" />
      </div>
      <SelectField
        v-model="like"
        :label="tell('beds.mostLike')"
        :options="choices"
        :placeholder="tell('beds.choose')"
        filter
      >
        <FieldError :problem="saving.error.value" field="like" />
      </SelectField>
      <FieldError :problem="saving.error.value" :shown="['name', 'like']" />
      <Button
        type="submit"
        :label="tell('beds.addIt')"
        variant="outlined"
        :loading="saving.isPending.value"
      />
    </form>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  justify-content: space-between;
  border-top: 1px solid var(--line);
}

form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 12px;
  align-items: end;
}
</style>
