<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Textarea from 'primevue/textarea'
import { computed, ref } from 'vue'
import { answer, api, Problem, type Schemas } from '@/api/client'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'

/** A recipe in somebody's own words, read as it is typed, held against what is known, and put right. */
const props = defineProps<{ kitchen: Schemas['KitchenSystem']; crop?: string; sprayerLitres?: number }>()
const kitchens: { value: Schemas['HeardKitchen']; label: string }[] = [
  { value: 'metric', label: 'metric spoons and litres' },
  { value: 'uk', label: 'British spoons and gallons' },
  { value: 'us', label: 'American spoons and gallons' },
  { value: 'australian', label: 'Australian spoons, 20 ml to the table' },
]
const open = ref(false)
/** Whoever told it may come from elsewhere than the garden. */
const kitchen = ref<Schemas['HeardKitchen']>(props.kitchen === 'imperial' ? 'uk' : props.kitchen)
const text = ref('')
const asked = refDebounced(
  computed(() => ({
    text: text.value,
    kitchen: kitchen.value,
    crop: props.crop ?? null,
    sprayerLitres: props.sprayerLitres ?? null,
  })),
  250,
)
const { data, error } = useQuery({
  queryKey: computed(() => ['heard', asked.value]),
  queryFn: () => answer(api.POST('/api/calc/recipe', { body: asked.value })),
  enabled: computed(() => open.value && asked.value.text.trim() !== ''),
  retry: false,
})
const problem = computed(() =>
  text.value.trim() !== '' && error.value instanceof Problem ? error.value : null,
)
const verdict = computed(() => {
  if (!data.value) return null
  return {
    ok: { words: 'Nothing speaks against it.', kind: 'good' },
    warn: { words: 'It may go on a plant, with care:', kind: 'caution' },
    no: { words: 'Not like this:', kind: 'stop' },
  }[data.value.verdict]
})
</script>

<template>
  <details class="card" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>
      <strong>A recipe you heard</strong>
      <span class="soft">in its own words, held against what is known</span>
    </summary>
    <div class="told">
      <label for="heard-text">What goes in, and how much water</label>
      <Textarea
        id="heard-text"
        v-model="text"
        rows="3"
        auto-resize
        maxlength="4000"
        placeholder="2 tablespoons of neem oil and a squirt of soap in a gallon of water"
      />
      <SelectField v-model="kitchen" label="Whose spoons" :options="kitchens" />
    </div>
    <FieldError :problem="problem" />
    <template v-if="data && verdict && !problem && text.trim() !== ''">
      <div class="note" :class="verdict.kind" aria-live="polite">
        <strong>{{ verdict.words }}</strong>
        <ul v-if="data.faults.length > 0">
          <li v-for="f in data.faults" :key="f.words">{{ f.words }}</li>
        </ul>
      </div>
      <div v-if="data.corrected" class="note good">
        <strong>Nearest that may go on</strong>
        <ul>
          <li v-for="line in data.corrected.lines" :key="line">{{ line }}</li>
        </ul>
      </div>
      <table>
        <caption>
          How it was understood
        </caption>
        <tbody>
          <tr v-for="(line, i) in data.lines" :key="i">
            <td>{{ line.text }}</td>
            <td>{{ line.understood ?? 'not read' }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </details>
</template>

<style scoped>
.note {
  margin-top: 12px;
}

.told {
  display: grid;
  gap: 8px;
  margin: 10px 0;
  max-width: 60ch;
}

ul {
  margin: 6px 0 0;
  padding-left: 20px;
}

table {
  width: 100%;
  margin-top: 12px;
  border-collapse: collapse;
}

caption {
  text-align: left;
  color: var(--ink-soft);
}

td {
  width: 50%;
  padding: 6px 8px 6px 0;
  border-top: 1px solid var(--mauve-line);
  vertical-align: top;
}
</style>
