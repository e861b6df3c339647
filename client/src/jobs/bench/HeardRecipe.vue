<script setup lang="ts">
import { tell } from '@/language'
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed, ref } from 'vue'
import { answer, api, Problem, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import { heardNatureWords, options } from '@/garden/words'
import FieldError from '@/kit/FieldError.vue'
import NumberField from '@/kit/NumberField.vue'
import SelectField from '@/kit/SelectField.vue'
import OwnRecipes from './OwnRecipes.vue'

/** A recipe in somebody's own words, read as it is typed, held against what is known, and put right. */
const props = defineProps<{
  kitchen: Schemas['KitchenSystem']
  crop?: string
  sprayerLitres?: number
  /** The recipe that is on the bench. */
  chosen?: string
}>()
defineEmits<{ choose: [recipe: string] }>()
const kitchens: { value: Schemas['HeardKitchen']; label: string }[] = [
  { value: 'metric', label: tell('bench.metricSpoonsAndLitres') },
  { value: 'uk', label: tell('bench.britishSpoonsAndGallons') },
  { value: 'us', label: tell('bench.americanSpoonsAndGallons') },
  { value: 'australian', label: tell('bench.australianSpoons20Ml') },
]
const open = ref(false)
/** Whoever told it may come from elsewhere than the garden. */
const kitchen = ref<Schemas['HeardKitchen']>(props.kitchen === 'imperial' ? 'uk' : props.kitchen)
const text = ref('')
/** What parts are like that are not known here, by what the recipe calls them. */
const like = ref<Record<string, Schemas['HeardNature']>>({})
const described = computed(() => Object.entries(like.value).map(([name, nature]) => ({ name, nature })))
const asked = refDebounced(
  computed(() => ({
    text: text.value,
    kitchen: kitchen.value,
    crop: props.crop ?? null,
    sprayerLitres: props.sprayerLitres ?? null,
    described: described.value,
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
/** Something has to be said before it can be judged at all. */
const asks = computed(() => data.value?.faults.some((f) => f.code === 'unclear') ?? false)
const verdict = computed(() => {
  if (!data.value) return null
  if (asks.value && data.value.verdict !== 'no') return { words: tell('bench.sayThisFirst'), kind: 'caution' }
  return {
    ok: { words: tell('bench.nothingSpeaksAgainst'), kind: 'good' },
    warn: { words: tell('bench.itMayGoOnAPlant'), kind: 'caution' },
    no: { words: tell('bench.notLikeThis'), kind: 'stop' },
  }[data.value.verdict]
})

/** The line that is put right by hand: it is written into the text anew, so that text and lines stay one. */
const righting = ref<{ line: string; amount: number | null; unit: string; thing: string }>()
const units = ['ml', 'g', 'tsp', 'tbsp', 'cup', 'l', 'clove', 'bulb', 'drop']
const { data: things } = useQuery({
  queryKey: ['heard-things'],
  queryFn: () => answer(api.GET('/api/catalogue/heard')),
  staleTime: Infinity,
  enabled: computed(() => righting.value !== undefined),
})
function putRight() {
  const r = righting.value
  if (!r?.amount || !r.thing) return
  text.value = text.value.replace(r.line, `${r.amount} ${r.unit} ${r.thing}`)
  righting.value = undefined
}

const { memberId } = useGarden()
const name = ref('')
const heardFrom = ref('')
// One id for one recipe: pressing twice keeps one.
const id = ref(crypto.randomUUID())
const stocking = useGardenWrite((gardenId, stock: Schemas['StockCalcRequest']) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/own-stocks/{stockId}', {
      params: { path: { gardenId, stockId: id.value } },
      body: { name: name.value, ...stock, memberId: memberId.value },
    }),
  ),
)
const keeping = useGardenWrite((gardenId, kept: { text: string; warning: boolean }) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/own-recipes/{recipeId}', {
      params: { path: { gardenId, recipeId: id.value } },
      body: {
        name: name.value,
        text: kept.text,
        kitchen: kitchen.value,
        heardFrom: heardFrom.value || null,
        warning: kept.warning,
        retired: false,
        memberId: memberId.value,
      },
    }),
  ),
)
/** Clears the form once what was typed is kept. */
function kept() {
  const typed = text.value
  return {
    onSuccess: () => {
      id.value = crypto.randomUUID()
      // Somebody may have begun the next one meanwhile.
      if (text.value !== typed) return
      name.value = heardFrom.value = text.value = ''
      like.value = {}
    },
  }
}
const keep = (what: { text: string; warning: boolean }) => keeping.mutate(what, kept())
const keepAsStock = (stock: Schemas['StockCalcRequest']) => stocking.mutate(stock, kept())
</script>

<template>
  <details class="card" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>
      <strong>{{ tell('bench.aRecipeYouHeard') }}</strong>
      <span class="soft">{{ tell('bench.inItsOwnWordsHeldAgainst') }}</span>
    </summary>
    <div class="told">
      <label for="heard-text">{{ tell('bench.whatGoesInAndHowMuch') }}</label>
      <Textarea
        id="heard-text"
        v-model="text"
        rows="3"
        auto-resize
        maxlength="4000"
        :placeholder="tell('bench.2TablespoonsOfNeemOil')"
      />
      <SelectField v-model="kitchen" :label="tell('bench.whoseSpoons')" :options="kitchens" />
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
        <strong>{{ tell('bench.nearestThatMayGo') }}</strong>
        <ul>
          <li v-for="line in data.corrected.lines" :key="line">{{ line }}</li>
        </ul>
      </div>
      <p v-if="data.after.length && data.verdict !== 'no'" class="soft">
        <strong>{{ tell('bench.onceItIsOn') }}</strong> {{ data.after.join(' ') }}
      </p>
      <table>
        <caption>
          {{
            tell('bench.howItWasUnderstood')
          }}
        </caption>
        <tbody>
          <tr v-for="(line, i) in data.lines" :key="i">
            <td>{{ line.text }}</td>
            <td>
              <template v-if="!line.asked">{{ line.understood ?? tell('bench.notRead') }}</template>
              <SelectField
                v-if="line.name && (line.asked || line.name.toLowerCase() in like)"
                :model-value="like[line.name.toLowerCase()]"
                :label="tell('bench.whatIsLike', { name: line.name })"
                :options="options(heardNatureWords)"
                :placeholder="tell('bench.choose')"
                @update:model-value="like = { ...like, [line.name.toLowerCase()]: $event }"
              />
              <Button
                v-if="text.includes(line.text) && righting?.line !== line.text"
                :label="tell('bench.putItRight')"
                :aria-label="tell('bench.putRightLine', { line: line.text })"
                size="small"
                variant="text"
                @click="righting = { line: line.text, amount: null, unit: 'ml', thing: '' }"
              />
              <form v-if="righting?.line === line.text" class="right" novalidate @submit.prevent="putRight">
                <NumberField
                  v-model="righting.amount"
                  :min="0"
                  :max-fraction-digits="2"
                  :aria-label="tell('bench.howMuchOfIt')"
                />
                <SelectField
                  v-model="righting.unit"
                  :options="units"
                  :label="tell('bench.unitOfIt')"
                  :show="null"
                  :take="null"
                />
                <SelectField
                  v-model="righting.thing"
                  :options="things ?? []"
                  :label="tell('bench.whatItIs')"
                  show="word"
                  take="word"
                  filter
                />
                <Button type="submit" :label="tell('bench.takeItSo')" size="small" />
              </form>
            </td>
          </tr>
        </tbody>
      </table>
      <form class="keep" novalidate @submit.prevent>
        <div class="field">
          <label for="heard-name">{{ tell('bench.keepItUnderTheName') }}</label>
          <InputText id="heard-name" v-model="name" maxlength="80" />
          <FieldError :problem="keeping.error.value ?? stocking.error.value" field="name" />
        </div>
        <div class="field">
          <label for="heard-from">{{ tell('bench.heardFrom') }}</label>
          <InputText
            id="heard-from"
            v-model="heardFrom"
            maxlength="80"
            :placeholder="tell('bench.nobodySaid')"
          />
        </div>
        <FieldError :problem="keeping.error.value" field="text" />
        <FieldError :problem="keeping.error.value ?? stocking.error.value" :shown="['name', 'text']" />
        <p v-if="data.stock" class="soft">{{ tell('bench.aStockIsMadeFirst') }}</p>
        <div class="actions">
          <Button
            v-if="data.canBeMixed"
            type="button"
            :label="tell('bench.keepIt')"
            :loading="keeping.isPending.value"
            @click="keep({ text, warning: false })"
          />
          <Button
            v-if="data.corrected"
            type="button"
            :label="tell('bench.keepTheCorrectedOne')"
            :loading="keeping.isPending.value"
            @click="keep({ text: data.corrected.lines.join('\n'), warning: false })"
          />
          <Button
            v-if="data.stock"
            type="button"
            :label="tell('bench.keepItAsAStock')"
            :variant="data.canBeMixed ? 'outlined' : undefined"
            :loading="stocking.isPending.value"
            @click="keepAsStock(data.stock)"
          />
          <Button
            v-if="!data.canBeMixed"
            type="button"
            :label="tell('bench.keepItAsAWarning')"
            variant="outlined"
            :loading="keeping.isPending.value"
            @click="keep({ text, warning: true })"
          />
        </div>
      </form>
    </template>
    <OwnRecipes :chosen="chosen" @choose="$emit('choose', $event)" />
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

.keep {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 10px;
  align-items: end;
  margin-top: 12px;
}

.keep .actions {
  grid-column: 1 / -1;
}

.right {
  display: grid;
  grid-template-columns: 90px minmax(0, 1fr) minmax(0, 1.4fr) auto;
  gap: 8px;
  align-items: end;
}

@media (max-width: 640px) {
  .right {
    grid-template-columns: 1fr 1fr;
  }
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
