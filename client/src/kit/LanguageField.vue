<script setup lang="ts">
import { ref } from 'vue'
import { chooseLanguage, chosenLanguage, languages, nameOfLanguage, tell } from '@/language'
import SelectField from './SelectField.vue'

/** What this device speaks: the browser's own language, or another. The page starts anew in it. */
const browsers = 'browser'
const chosen = ref(chosenLanguage() ?? browsers)
const choices = [
  { value: browsers, label: tell('language.likeTheBrowser') },
  ...languages.map((code) => ({ value: code, label: nameOfLanguage(code) })),
]
function choose(code: string) {
  chosen.value = code
  void chooseLanguage(code === browsers ? null : code)
}
</script>

<template>
  <SelectField
    :model-value="chosen"
    :options="choices"
    :label="tell('language.ofThisDevice')"
    @update:model-value="choose"
  />
</template>
