<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, watch } from 'vue'
import { useGarden } from '@/garden/useGarden'
import { useGardenSettings } from '@/garden/useGardenSettings'
import FieldError from '@/kit/FieldError.vue'

/** When somebody of the household is free to spray, day by day. */
const { garden } = useGarden()
const days = [
  tell('garden.monday'),
  tell('beds.tuesday'),
  tell('beds.wednesday'),
  tell('beds.thursday'),
  tell('beds.friday'),
  tell('garden.saturday'),
  tell('garden.sunday'),
]
const weekDays = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday']
/** Indices of the days, from the day on which the household's week begins. */
const order = computed(() => {
  const start = Math.max(0, weekDays.indexOf(garden.value?.units.weekStart ?? 'monday'))
  return days.map((_, i) => (start + i) % 7)
})
const hours = ref<string[]>([])
watch(
  () => garden.value?.freeHours,
  (now) => {
    if (now) hours.value = [...now]
  },
  { immediate: true },
)
const saving = useGardenSettings()
</script>

<template>
  <details class="card fold">
    <summary>
      <strong>{{ tell('beds.whenSomebodyIsFreeToSpray') }}</strong>
      <span class="soft">{{
        garden?.freeHours.every((d) => d === tell('beds.always'))
          ? tell('beds.always')
          : order.map((i) => garden?.freeHours[i]).join(' · ')
      }}</span>
      <span class="change">{{ tell('beds.change') }}</span>
    </summary>
    <form novalidate @submit.prevent="saving.mutate({ freeHours: hours })">
      <p class="soft">
        {{ tell('beds.hoursOfTheDayAs6') }}
      </p>
      <div class="days">
        <div v-for="i in order" :key="i" class="field">
          <label :for="`free-${i}`">{{ days[i] }}</label>
          <InputText
            :id="`free-${i}`"
            v-model="hours[i]"
            fluid
            :invalid="!!saving.error.value?.fields[`freeHours[${i}]`]"
          />
          <FieldError :problem="saving.error.value" :field="`freeHours[${i}]`" />
        </div>
      </div>
      <Button
        type="submit"
        :label="tell('beds.saveTheHours')"
        variant="outlined"
        :loading="saving.isPending.value"
      />
    </form>
  </details>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
  justify-items: start;
  padding-top: 10px;
}

.days {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px;
  width: 100%;
}
</style>
