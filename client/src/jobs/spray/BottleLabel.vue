<script setup lang="ts">
import { tell, remarked } from '@/language'
import type { Schemas } from '@/api/client'
import { dayAndClock, inSentence, trim } from '@/kit/format'
import { generalLine } from '@/kit/generalLine'

/** What stands on the bottle: 90 by 60 mm on paper. */
defineProps<{ batch: Schemas['BatchAnswer']; zone: string }>()
</script>

<template>
  <section class="label" :aria-label="tell('spray.bottleLabel')">
    <h2>
      {{ batch.patchTest ? tell('spray.twoLeaves', { recipe: batch.recipeName }) : batch.recipeName }}
    </h2>
    <p class="strength">
      <template v-if="batch.strengths.length">{{
        batch.strengths.map((s) => `${s.material} ${trim(s.percent, 2)} %`).join(' · ')
      }}</template>
      <template v-else>{{ batch.contents.join(' · ') }}</template>
    </p>
    <p>
      {{
        remarked(batch.contents.join(', '), batch.litres && tell('spray.madeUp', { amount: batch.amount }))
      }}
    </p>
    <p>
      {{
        remarked(
          tell('spray.for', { for: batch.for.join(', ') }),
          batch.targetName &&
            tell('bench.against', {
              targetName: [batch.targetName, batch.alsoTargetName]
                .flatMap((t) => (t ? inSentence(t) : []))
                .join(', '),
            }),
        )
      }}
    </p>
    <p>
      {{
        remarked(
          tell('spray.mixed', { dayAndClock: dayAndClock(batch.madeAt, zone) }),
          batch.madeBy && tell('spray.madebyBy', { madeBy: batch.madeBy }),
        )
      }}.
      <strong v-if="batch.readyAt">{{
        tell('shelf.readyAt', { when: dayAndClock(batch.readyAt, zone) })
      }}</strong>
      <strong>{{ tell('spray.useBy', { dayAndClock: dayAndClock(batch.useBy, zone) }) }}</strong>
    </p>
    <p class="small cautions">{{ batch.cautions.join(' ') }}</p>
    <p class="warn">{{ tell('spray.notADrinkKeepFromChildren') }}</p>
    <p class="general">{{ generalLine }}</p>
  </section>
</template>

<style scoped>
.label {
  box-sizing: border-box;
  width: 90mm;
  max-width: 100%;
  height: 60mm;
  overflow: hidden;
  padding: 3mm;
  border: 0.5mm solid var(--ink);
  border-radius: 1.5mm;
  background: var(--surface);
  color: var(--ink);
  font-size: 8.5pt;
  line-height: 1.2;
  display: grid;
  gap: 1mm;
  align-content: start;
}

h2 {
  font-size: 13pt;
  line-height: 1.05;
}

.strength {
  font-weight: 700;
}

.warn {
  font: 700 11pt/1.1 var(--heading);
}

.small {
  font-size: 7pt;
}

.general {
  font-size: 6pt;
  line-height: 1.15;
}

.cautions {
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 3;
  line-clamp: 3;
  overflow: hidden;
}
</style>
