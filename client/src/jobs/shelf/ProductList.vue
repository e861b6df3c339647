<script setup lang="ts">
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import { ref } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import { inSentence } from '@/kit/format'
import ProductForm from './ProductForm.vue'

/** The household's own products: what stands on a label beats the catalogue. */
defineProps<{ products: Schemas['ProductAnswer'][]; materials: Schemas['ShelfMaterial'][] }>()
const { memberId } = useGarden()
const inHand = ref<string>()
const change = useGardenWrite((gardenId, { id, ...p }: Schemas['ProductAnswer']) =>
  answer(
    api.PUT('/api/gardens/{gardenId}/products/{productId}', {
      params: { path: { gardenId, productId: id } },
      body: { ...p, memberId: memberId.value },
    }),
  ),
)
</script>

<template>
  <section class="card" aria-labelledby="labels">
    <div class="page-head">
      <h2 id="labels">{{ tell('shelf.productsWithALabel') }}</h2>
      <Button
        v-if="inHand !== 'new'"
        :label="tell('shelf.noteALabel')"
        variant="outlined"
        @click="inHand = 'new'"
      />
    </div>
    <p class="soft">
      {{ tell('shelf.whatTheLabelSaysAboutDose') }}
    </p>
    <ProductForm v-if="inHand === 'new'" :materials="materials" @done="inHand = undefined" />
    <ul>
      <li v-for="p in products" :key="p.id">
        <ProductForm v-if="inHand === p.id" :materials="materials" :product="p" @done="inHand = undefined" />
        <template v-else>
          <span :class="{ soft: p.retired }">
            <strong>{{ p.name }}</strong><template v-if="p.likeName">, {{ inSentence(p.likeName) }}</template
            >:
            {{
              remarked(
                p.doseText,
                p.maxTimes && tell('shelf.timesASeason', { maxTimes: p.maxTimes }),
                p.daysBetween && tell('shelf.daysBetween', { daysBetween: p.daysBetween }),
                p.daysToWait !== null &&
                  (p.daysToWait === 1
                    ? tell('shelf.1DayBeforePicking')
                    : tell('shelf.daysBeforePicking2', { daysToWait: p.daysToWait })),
              )
            }}.
            <template v-if="p.retired">{{ tell('shelf.putAway') }}</template>
          </span>
          <span class="actions">
            <Button
              :label="tell('beds.change')"
              variant="text"
              size="small"
              :aria-label="tell('shelf.changeTheLabel', { it: p.name })"
              @click="inHand = p.id"
            />
            <Button
              :label="p.retired ? tell('shelf.takeItOutAgain') : tell('beds.putAway')"
              variant="text"
              size="small"
              @click="change.mutate({ ...p, retired: !p.retired })"
            />
          </span>
        </template>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 4px 12px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}

li > form {
  flex: 1;
}
</style>
