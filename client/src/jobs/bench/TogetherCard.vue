<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import type { Schemas } from '@/api/client'
import { inSentence } from '@/kit/format'

/** Other troubles over their line on the same planting: whether the same filling may be against them too. */
defineProps<{ bench: Schemas['BenchAnswer'] }>()
defineEmits<{ choose: [target: string | undefined] }>()
</script>

<template>
  <section class="card" aria-labelledby="together">
    <h2 id="together">{{ tell('bench.oneFillingForTwo') }}</h2>
    <div v-for="t in bench.together" :key="t.target" class="other">
      <p>{{ t.sentence }}</p>
      <Button
        v-if="t.material"
        :label="
          bench.also === t.target
            ? tell('bench.itIsAgainstBoth')
            : tell('bench.alsoAgainst', { target: inSentence(t.targetName) })
        "
        :variant="bench.also === t.target || t.worth ? undefined : 'outlined'"
        :aria-pressed="bench.also === t.target"
        size="small"
        @click="$emit('choose', bench.also === t.target ? undefined : t.target)"
      />
    </div>
    <p v-if="bench.feed" class="soft small">{{ bench.feed }}</p>
  </section>
</template>

<style scoped>
.other {
  display: grid;
  gap: 6px;
  justify-items: start;
  padding: 6px 0;
}
</style>
