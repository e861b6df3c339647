<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useNames } from '@/garden/useTargets'
import SelectField from '@/kit/SelectField.vue'

/** A name that is not among the likeliest: any of the catalogue's, or one's own with the group that it belongs to. */
const emit = defineEmits<{ name: [target: string, ownName?: string] }>()

const { all, groups } = useNames()
const known = ref<string>()
const own = ref('')
const group = ref<string>()
const ready = computed(() => own.value.trim() !== '' && group.value !== undefined)
</script>

<template>
  <details>
    <summary>{{ tell('suspects.itIsSomethingElse') }}</summary>
    <div class="rows">
      <SelectField v-model="known" :label="tell('suspects.anyNameOfTheCatalogue')" :options="all" filter />
      <Button
        :label="tell('suspects.callItThatAndDecide')"
        variant="outlined"
        :disabled="!known"
        @click="known && emit('name', known)"
      />
    </div>
    <form class="rows" @submit.prevent="ready && group && emit('name', group, own)">
      <label for="own-name">{{ tell('suspects.orANameOfYourOwn') }}</label>
      <InputText
        id="own-name"
        v-model="own"
        :maxlength="80"
        :placeholder="tell('suspects.spittleOnTheStems')"
      />
      <SelectField v-model="group" :label="tell('suspects.itIsMostLike')" :options="groups" />
      <Button
        type="submit"
        :label="tell('suspects.callItThisAndDecide')"
        variant="outlined"
        :disabled="!ready"
      />
    </form>
  </details>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 8px;
  margin-top: 10px;
}

summary {
  min-height: 44px;
  padding: 10px 8px;
}
</style>
