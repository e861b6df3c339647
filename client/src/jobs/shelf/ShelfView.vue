<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import HatchPatterns from '@/drawings/HatchPatterns.vue'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import { civilDay, dayAndClock, trim } from '@/kit/format'
import PreparationList from './PreparationList.vue'
import ProductList from './ProductList.vue'
import ShoppingList from './ShoppingList.vue'
import StockForm from './StockForm.vue'

const { data, isPending, error, refetch } = useGardenQuery(['shelf'], (gardenId) =>
  answer(api.GET('/api/gardens/{gardenId}/shelf', { params: { path: { gardenId } } })),
)
const { garden, memberId } = useGarden()
const zone = computed(() => garden.value?.timeZoneId ?? 'UTC')
const straining = useGardenWrite((gardenId, stockId: string) =>
  answer(
    api.POST('/api/gardens/{gardenId}/shelf/{stockId}/strained', {
      params: { path: { gardenId, stockId } },
      body: { memberId: memberId.value },
    }),
  ),
)
/** The id of the bottle in hand, "new" for one that is put up. */
const inHand = ref<string>()
const share = (s: Schemas['StockAnswer']) => Math.max(0, Math.min(1, s.left / s.amount))
const total = computed(() => (data.value?.shopping ?? []).reduce((sum, i) => sum + (i.cost ?? 0), 0))
</script>

<template>
  <div class="page">
    <HatchPatterns />
    <div class="page-head">
      <h1>{{ tell('shelf.shelf') }}</h1>
      <Button v-if="inHand !== 'new'" :label="tell('shelf.putSomethingOnTheShelf')" @click="inHand = 'new'" />
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <StockForm v-if="inHand === 'new'" :materials="data.materials" @done="inHand = undefined" />
      <p v-if="data.stocks.length === 0" class="note">
        {{ tell('shelf.nothingStandsHereYetPutUp') }}
      </p>
      <ul class="stocks">
        <li v-for="s in data.stocks" :key="s.id" class="card">
          <StockForm
            v-if="inHand === s.id"
            :materials="data.materials"
            :stock="s"
            @done="inHand = undefined"
          />
          <template v-else>
            <svg
              viewBox="0 0 40 64"
              width="40"
              height="64"
              role="img"
              :aria-label="tell('shelf.left', { share: Math.round(share(s) * 100) })"
            >
              <clipPath :id="`bottle-${s.id}`">
                <path d="M14 2H26V12C34 15 37 20 37 27V60H3V27C3 20 6 15 14 12Z" />
              </clipPath>
              <g :clip-path="`url(#bottle-${s.id})`">
                <rect class="air" width="40" height="64" />
                <rect
                  y="0"
                  width="40"
                  height="64"
                  :fill="`url(#hatch-${s.hatch})`"
                  :transform="`translate(0 ${60 - 48 * share(s)})`"
                />
              </g>
              <path class="glass" d="M14 2H26V12C34 15 37 20 37 27V60H3V27C3 20 6 15 14 12Z" />
            </svg>
            <div class="what">
              <div class="head">
                <h2>{{ s.name }}</h2>
                <Button
                  :label="tell('beds.change')"
                  variant="text"
                  size="small"
                  :aria-label="tell('beds.change2', { name: s.name })"
                  @click="inHand = s.id"
                />
              </div>
              <p>
                <strong>{{ s.leftText }}</strong> {{ tell('shelf.amounttextOf', { amountText: s.amountText })
                }}<template v-if="s.strengthPercent">, {{ trim(s.strengthPercent, 1) }} %</template>
              </p>
              <p class="soft small">
                {{ s.materialName === s.name ? s.groupName : `${s.materialName}, ${s.groupName}` }}.
                <template v-if="s.goodUntil">{{
                  tell('shelf.goodUntil', {
                    goodUntil: civilDay(s.goodUntil),
                    slice: s.goodUntil.slice(0, 4),
                  })
                }}</template>
                {{ s.storage }}
              </p>
              <p v-for="h in s.hints" :key="h.code" class="note caution small">{{ h.sentence }}</p>
              <p v-if="s.readyAt" class="small">
                {{ tell('shelf.readyAt', { when: dayAndClock(s.readyAt, zone) }) }}
                <Button
                  :label="tell('shelf.strained')"
                  size="small"
                  :aria-label="tell('shelf.strainedIt', { name: s.name })"
                  :loading="straining.isPending.value"
                  @click="straining.mutate(s.id)"
                />
              </p>
            </div>
          </template>
        </li>
      </ul>
      <ShoppingList :items="data.shopping" :days="data.aheadDays" :total="total" />
      <PreparationList
        :preparations="data.preparations"
        :materials="data.materials"
        :own-stocks="data.ownStocks"
      />
      <ProductList :products="data.products" :materials="data.materials" />
    </template>
  </div>
</template>

<style scoped>
.stocks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 330px), 1fr));
  gap: 12px;
}

li {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}

li > form {
  grid-column: 1 / -1;
}

h2 {
  font-size: 1.1rem;
}

.what {
  display: grid;
  gap: 4px;
}

.head {
  display: flex;
  align-items: start;
  justify-content: space-between;
  gap: 8px;
}

.head :deep(.p-button) {
  margin: -10px -10px 0 0;
}

.air {
  fill: var(--paper);
}

.glass {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
</style>
