<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import CurveChart from '@/drawings/CurveChart.vue'
import { useGardenQuery } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import { percent } from '@/kit/format'
import SelectField from '@/kit/SelectField.vue'
import { useDecide } from '../decide/useDecide'
import SupposeForm from './SupposeForm.vue'

/** Once, or three times? Ways to meet a trouble, played through in this garden's weather before anything is done. */
const route = useRoute()
const router = useRouter()
const one = (name: string) => {
  const value = route.query[name]
  return typeof value === 'string' && value !== '' ? value : undefined
}
const many = (name: string) => [route.query[name] ?? []].flat().filter((d): d is string => d !== null)
const planting = computed(() => one('planting'))
const target = computed(() => one('target'))
const share = computed(() => {
  const value = Number(one('share'))
  return value > 0 ? value : undefined
})
const recipe = computed(() => one('recipe'))
const own = computed(() => many('days'))
const picked = computed(() => many('way'))
const change = (more: Record<string, string | string[] | undefined>) =>
  router.replace({ query: { ...route.query, ...more } })

const { data, isPending, error, refetch } = useGardenQuery(
  computed(() => [
    'what-if',
    planting.value,
    target.value,
    share.value,
    recipe.value,
    own.value,
    picked.value,
  ]),
  (gardenId) =>
    answer(
      api.GET('/api/gardens/{gardenId}/what-if', {
        params: {
          path: { gardenId },
          query: {
            planting: planting.value ?? '',
            target: target.value ?? '',
            share: share.value,
            way: picked.value,
            recipe: recipe.value,
            days: own.value,
          },
        },
      }),
    ),
  computed(() => planting.value !== undefined && target.value !== undefined),
)
const curves = computed(() => data.value?.curves ?? [])
const chosen = ref('')
const inHand = computed(
  () =>
    curves.value.find((c) => c.id === chosen.value) ??
    curves.value.find((c) => c.id.startsWith('own')) ??
    curves.value.find((c) => c.id !== 'nothing') ??
    curves.value[0],
)
/** Names at the ends of the lines are letters; the table says what they are. */
const letters = computed(() => {
  let next = 0
  return curves.value.map((c) => (c.id === 'nothing' ? tell('decide.leftAlone') : 'ABCDEF'.charAt(next++)))
})
const others = computed(() =>
  (data.value?.ways ?? []).filter((w) => !curves.value.some((c) => c.id === w.id) && w.id !== 'take-out'),
)
const compared = computed(() => curves.value.filter((c) => !c.id.startsWith('own')).map((c) => c.id))
const add = (id: string) => change({ way: [...compared.value.filter((c) => c !== 'nothing'), id] })
const leaveOut = (id: string) =>
  id.startsWith('own')
    ? change({ days: own.value.filter((_, i) => `own-${i + 1}` !== id) })
    : change({ way: compared.value.filter((c) => c !== id && c !== 'nothing') })

const { begin } = useDecide(planting)
async function adopt(curve: Schemas['CurveAnswer']) {
  if (!data.value || !curve.recipe) return
  const course = {
    plantingId: data.value.plantingId,
    target: data.value.target,
    recipe: curve.recipe,
    days: curve.id.startsWith('own') ? curve.sprayDays : null,
    way: curve.id.startsWith('own') ? null : curve.id,
    step: 'gentle' as const,
  }
  if (await begin.mutateAsync(course).catch(() => null))
    await router.push({ name: 'decide', query: { planting: data.value.plantingId } })
}
const days = ref('')
async function playOwn() {
  if (days.value.trim() === '') return
  await change({ days: [...own.value, days.value.replaceAll(' ', '')] })
  chosen.value = `own-${own.value.length}`
  days.value = ''
}
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>{{ tell('decide.whatIf') }}</h1>
      <p v-if="data" class="soft">
        {{
          data.counted
            ? tell('whatif.onAffected', {
                targetName: data.targetName,
                where: data.where,
                share: percent(data.share),
              })
            : tell('whatif.onAffectedSupposed', {
                targetName: data.targetName,
                where: data.where,
                share: percent(data.share),
              })
        }}
      </p>
    </div>
    <SupposeForm
      :planting="planting"
      :target="target"
      :share="share ?? (data?.counted ? data.share : undefined)"
      :open="!data"
      @suppose="
        change({
          planting: $event.planting,
          target: $event.target,
          share: String($event.share),
          way: undefined,
          days: undefined,
        })
      "
    />
    <p v-if="error" class="note stop" role="alert">
      {{ error.message }}
      <Button
        v-if="own.length"
        :label="tell('whatif.leaveMyOwnSchedulesOut')"
        size="small"
        variant="outlined"
        @click="change({ days: undefined })"
      />
    </p>
    <AsyncState
      v-if="planting && target && !data && !error"
      :pending="isPending"
      :error="error"
      :retry="refetch"
    />
    <template v-if="data">
      <p class="answer">{{ data.answer }}</p>
      <section class="card">
        <CurveChart
          :curves="curves"
          :names="letters"
          :chosen="curves.findIndex((c) => c.id === inHand?.id)"
          :from="data.from"
          :action-line="data.line"
        />
        <p class="soft small">
          {{ tell('whatif.shareAffectedTheMiddle') }}
        </p>
      </section>
      <div class="ways" role="region" :aria-label="tell('whatif.theWaysInFigures')" tabindex="0">
        <table>
          <thead>
            <tr>
              <th scope="col">{{ tell('decide.way') }}</th>
              <th scope="col">{{ tell('decide.in3Weeks') }}</th>
              <th scope="col">{{ tell('decide.cropLost') }}</th>
              <th scope="col">{{ tell('garden.spray') }}</th>
              <th scope="col">{{ tell('decide.helpersLeft') }}</th>
              <th scope="col">
                <span class="soft">{{ tell('whatif.compare') }}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(c, i) in curves" :key="c.id" :class="{ chosen: c.id === inHand?.id }">
              <th scope="row">
                <button :aria-pressed="c.id === inHand?.id" @click="chosen = c.id">
                  <b v-if="c.id !== 'nothing'">{{ letters[i] }}</b> {{ c.words }}
                </button>
              </th>
              <td>
                {{ percent(c.days.at(-1)?.middle ?? 0) }}
                <span class="soft small">{{
                  tell('decide.lowHigh', {
                    low: percent(c.days.at(-1)?.low ?? 0),
                    high: percent(c.days.at(-1)?.high ?? 0),
                  })
                }}</span>
              </td>
              <td>{{ percent(c.loss) }}</td>
              <td>
                {{
                  c.sprayDays.length
                    ? c.sprayDays.length === 1
                      ? tell('whatif.once', { amount: c.amount })
                      : tell('whatif.times', { sprayDays: c.sprayDays.length, amount: c.amount })
                    : tell('garden.none')
                }}
              </td>
              <td>{{ c.helpersLeft === null ? '–' : percent(c.helpersLeft) }}</td>
              <td>
                <Button
                  v-if="c.id !== 'nothing'"
                  :label="tell('whatif.leaveOut')"
                  size="small"
                  variant="text"
                  :aria-label="tell('whatif.leaveOut2', { words: c.words })"
                  @click="leaveOut(c.id)"
                />
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="own">
        <SelectField
          v-if="others.length && curves.length < 6"
          :model-value="null"
          :options="others"
          :label="tell('whatif.compareAnotherWay')"
          show="words"
          take="id"
          :placeholder="tell('whatif.chooseOne')"
          filter
          @update:model-value="add"
        />
        <form
          v-if="curves.length < 6 && data.recipes.length"
          class="own"
          novalidate
          @submit.prevent="playOwn"
        >
          <SelectField
            :model-value="recipe ?? data.recipes[0]?.recipe"
            :options="data.recipes"
            :label="tell('whatif.aScheduleOfYourOwn')"
            show="material"
            take="recipe"
            @update:model-value="change({ recipe: $event })"
          />
          <div class="field">
            <label for="own-days">{{ tell('whatif.onTheseDaysFromToday') }}</label>
            <InputText id="own-days" v-model="days" placeholder="0, 4, 8" />
          </div>
          <Button type="submit" :label="tell('whatif.playItToo')" variant="outlined" />
        </form>
      </div>
      <FieldError :problem="begin.error.value" />
      <div v-if="inHand?.recipe" class="actions">
        <Button
          v-if="data.counted"
          :label="tell('whatif.adoptItAsTheCourse', { words: inHand.words })"
          size="large"
          :loading="begin.isPending.value"
          @click="adopt(inHand)"
        />
        <Button
          :label="tell('whatif.mixTheFirstRound')"
          size="large"
          variant="outlined"
          @click="
            router.push({
              name: 'bench',
              query: { planting: data.plantingId, target: data.target, recipe: inHand.recipe },
            })
          "
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.answer {
  font-size: 1.1rem;
}

.own {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
}
</style>
