<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useGarden } from '@/garden/useGarden'
import { countedOnWords, options } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import CountPad from '@/kit/CountPad.vue'
import FieldError from '@/kit/FieldError.vue'
import SelectField from '@/kit/SelectField.vue'
import ShareMeter from '@/kit/ShareMeter.vue'
import FieldNotes from './FieldNotes.vue'
import LookFirst from './LookFirst.vue'
import PhotoPicker from './PhotoPicker.vue'
import PlantGrid from './PlantGrid.vue'
import SeverityPicker from './SeverityPicker.vue'
import SignPicker from './SignPicker.vue'
import TroubleTabs from './TroubleTabs.vue'
import WalkStrip from './WalkStrip.vue'
import { useSigns } from './useSigns'
import { useLook } from './useLook'
import { useSample } from './useSample'
import { useSaveLook } from './useSaveLook'
import { useWalk } from './useWalk'
import { inSentence } from '@/kit/format'
import { useAwake } from '@/kit/useAwake'

const props = defineProps<{ plantingId: string }>()
const router = useRouter()
useAwake()
const { garden, query, plantings } = useGarden()
const planting = computed(() => plantings.value.find((p) => p.id === props.plantingId))
const look = useLook(props.plantingId)
const { draft, chosen, looked, affected, trouble, found } = look
const both = computed(() => draft.value.leaves.filter((leaf) => leaf === 3).length)
const clean = computed(() => draft.value.leaves.filter((leaf) => leaf === 0).length)
/** A planting with more plants is not counted one by one. */
const mostPlants = 60
const canBeSingle = computed(() => {
  const count = planting.value?.count ?? 0
  return count >= 2 && count <= mostPlants
})
const walk = useWalk()
const stop = computed(() =>
  walk.all.value.flatMap((s) => s.plantings).find((p) => p.plantingId === props.plantingId),
)
const lines = computed(() => walk.round.data.value?.stopLines.find((l) => l.line === stop.value?.line))
const sample = useSample(
  () => props.plantingId,
  looked,
  () => affected.value[chosen.value] ?? 0,
  // The lines that came along are those of leaves.
  () => (draft.value.on === 'leaves' ? lines.value : undefined),
  () => (draft.value.plants ? { of: draft.value.plants.length } : { on: draft.value.on }),
)
/** What is watched for here may be told better by something else than leaves. */
const better = computed(() => {
  const w = stop.value?.watch.find((w) => w.on !== 'leaves')
  return w && w.on !== draft.value.on
    ? tell('walk.tellsMore', { name: w.name, things: inSentence(countedOnWords[w.on]) })
    : ''
})
const crop = computed(() => planting.value?.likeCrop ?? '')
const signs = useSigns(crop)
/** Severity is drawn with the first sign that was named. */
const drawnSign = computed(() => signs.data.value?.find((s) => s.id === trouble.value.signs[0]))
const side = computed(() => (drawnSign.value?.part === 'underside' ? 'under' : 'upper'))

const { saving, problem, save } = useSaveLook(look, props.plantingId)

async function done(then: 'name' | 'walk') {
  const saved = await save()
  if (!saved) return
  if (then === 'name') await router.push({ name: 'suspects', params: { observationId: saved.id } })
  else await goOn()
}

/** To the next planting of the round, or to its end. */
async function goOn() {
  const next = walk.nextAfter(props.plantingId)?.planting.plantingId
  await router.push(next ? { name: 'count', params: { plantingId: next } } : { name: 'walk' })
}
</script>

<template>
  <div class="page narrow">
    <AsyncState v-if="!garden" :pending="query.isPending.value" :error="query.error.value" />
    <p v-else-if="!planting" class="note">
      {{ tell('walk.thisPlantingIsNotGrowingNow') }}
      <RouterLink to="/walk">{{ tell('walk.chooseAnother') }}</RouterLink>.
    </p>
    <template v-else>
      <WalkStrip :planting-id="plantingId" @next="goOn" />
      <div class="page-head">
        <h1>{{ planting.place.name }}: {{ inSentence(planting.cropName) }}</h1>
      </div>
      <LookFirst v-if="stop" :stop="stop" />
      <PlantGrid v-if="draft.plants" v-model="draft.plants" />
      <CountPad
        v-else
        :clean="clean"
        :affected="affected"
        :both="both"
        :can-undo="looked > 0"
        @count="look.add"
        @back="look.back"
      />
      <FieldError :problem="problem" field="leavesLooked" />
      <FieldError :problem="problem" field="leavesAffected" />
      <FieldError :problem="problem" field="plants" />
      <Button
        v-if="canBeSingle"
        :label="draft.plants ? tell('walk.leafByLeaf') : tell('walk.plantByPlant')"
        variant="text"
        size="small"
        @click="look.byPlant(draft.plants ? null : (planting.count ?? 0))"
      />
      <ShareMeter v-if="sample" :sample="sample" />
      <p v-else class="soft">
        {{
          draft.on === 'leaves' || draft.plants
            ? tell('walk.oneTapForEachLeafAbout')
            : tell('walk.oneTapForEachOf', { things: inSentence(countedOnWords[draft.on]) })
        }}
      </p>
      <div v-if="!draft.plants" class="on">
        <SelectField
          v-model="draft.on"
          :label="tell('walk.whatIsCounted')"
          :options="options(countedOnWords)"
        />
        <p v-if="better" class="soft small">{{ better }}</p>
      </div>
      <TroubleTabs
        v-if="!draft.plants"
        v-model:chosen="chosen"
        :affected="affected"
        @add="look.addTrouble"
        @drop="look.dropTrouble"
      />
      <AsyncState
        v-if="!signs.data.value"
        :pending="signs.isPending.value"
        :error="signs.error.value"
        :retry="signs.refetch"
      />
      <SignPicker
        :signs="signs.data.value ?? []"
        :leaf="planting.leaf"
        :chosen="trouble.signs"
        @toggle="look.toggleSign"
      />
      <FieldError :problem="problem" field="signs" />
      <template v-if="(affected[chosen] ?? 0) > 0">
        <h2>{{ tell('walk.howMuchOfAnAffectedLeaf') }}</h2>
        <SeverityPicker
          v-model="trouble.severityPercent"
          :leaf="planting.leaf"
          :sign="drawnSign?.drawing"
          :side="side"
        />
      </template>
      <PhotoPicker v-model="draft.photos" />
      <FieldNotes v-model="draft" />
      <FieldError :problem="problem" :shown="['leavesLooked', 'leavesAffected', 'plants', 'signs']" />
      <div class="save">
        <Button
          v-if="found"
          :label="tell('walk.saveAndName')"
          size="large"
          fluid
          :loading="saving"
          @click="done('name')"
        />
        <Button
          :label="found ? tell('walk.saveNameItLater') : tell('walk.saveAllClean')"
          size="large"
          fluid
          :variant="found ? 'outlined' : undefined"
          :loading="saving"
          @click="done('walk')"
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.on {
  display: grid;
  grid-template-columns: minmax(0, 200px) minmax(0, 1fr);
  gap: 12px;
  align-items: end;
}

.save {
  position: sticky;
  bottom: var(--job-bar);
  display: flex;
  gap: 10px;
  padding: 10px 0;
  background: var(--paper);
}
</style>
