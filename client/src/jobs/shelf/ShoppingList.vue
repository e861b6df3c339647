<script setup lang="ts">
import { tell, remarked } from '@/language'
import type { Schemas } from '@/api/client'
import { sentences } from '@/garden/words'
import { money } from '@/kit/format'

defineProps<{ items: Schemas['ShoppingAnswer'][]; days: number; total: number }>()
</script>

<template>
  <section class="card" aria-labelledby="shopping">
    <h2 id="shopping">{{ tell('shelf.toBuy') }}</h2>
    <p v-if="items.length === 0" class="soft">{{ tell('shelf.theShelfHasWhatTheComing', { days }) }}</p>
    <ul v-else>
      <li v-for="i in items" :key="i.material">
        <strong>{{ i.name }}</strong>
        <span
          ><template v-if="i.toBuy > 0">{{
            remarked(i.toBuyText, i.cost !== null && tell('almanac.about', { cost: money(i.cost) }))
          }}</template></span
        >
        <span class="soft">{{ sentences(i.reasons) }}</span>
      </li>
    </ul>
    <p v-if="total > 0" class="soft">
      {{ tell('shelf.togetherAboutByWhatTheLast', { total: money(total) }) }}
    </p>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(140px, 1fr) minmax(90px, auto) minmax(0, 2fr);
  gap: 4px 14px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}

@media (max-width: 640px) {
  li {
    grid-template-columns: 1fr auto;
  }

  li .soft {
    grid-column: 1 / -1;
  }
}
</style>
