<script setup lang="ts">
import { tell, remarked } from '@/language'
import { useGarden } from '@/garden/useGarden'
import AsyncState from '@/kit/AsyncState.vue'
import PrintButton from '@/kit/PrintButton.vue'
import GeneralCaution from '@/kit/GeneralCaution.vue'
import { inSentence, trim } from '@/kit/format'
import { usePaper } from '@/kit/usePaper'
import { useBench } from './useBench'

/** The mix on a sheet of A5, for a shed without a screen. */
const { garden } = useGarden()
const { data, isPending, error, refetch } = useBench()
usePaper('148mm 210mm', '10mm')
</script>

<template>
  <div class="page narrow paper">
    <div class="actions no-print">
      <PrintButton size="large" :disabled="!data" />
      <RouterLink :to="{ name: 'bench', query: $route.query }">{{ tell('bench.backToTheBench') }}</RouterLink>
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <article v-else class="card-sheet">
      <header>
        <h1>{{ data.recipeName }}</h1>
        <p>
          {{
            remarked(
              data.sizeBeside ? `${data.sizeText} (${data.sizeBeside})` : data.sizeText,
              tell('bench.dose2', { step: data.step }),
              data.for.length > 0 && tell('bench.for', { for: data.for.join(', ') }),
              data.targetName && tell('bench.against', { targetName: inSentence(data.targetName) }),
            )
          }}
        </p>
        <p class="soft">{{ garden?.name }}</p>
      </header>
      <p v-if="data.verdict !== 'ok'" class="refused">
        {{ data.reasons.find((r) => r.verdict === data?.verdict)?.sentence }}
      </p>
      <ol v-else>
        <li v-for="(s, i) in data.steps" :key="i">
          <span class="box" aria-hidden="true" />
          <span
            ><strong>{{ s.title }}</strong> {{ s.detail }}</span
          >
          <span class="measure"
            ><b>{{ s.measure }}</b> {{ s.exact }}</span
          >
        </li>
      </ol>
      <p v-if="data.strengths.length">
        {{
          tell('bench.inTheSprayGoodForHours', {
            strengths: data.strengths.map((s) => `${s.material} ${trim(s.percent, 2)} %`).join(', '),
            mixedLifeHours: trim(data.mixedLifeHours, 0),
          })
        }}
      </p>
      <ul class="cautions">
        <li v-for="r in data.reasons.filter((x) => x.verdict === 'ok')" :key="r.sentence">
          {{ r.sentence }}
        </li>
        <li v-for="c in data.cautions" :key="c">{{ c }}</li>
      </ul>
      <GeneralCaution />
    </article>
  </div>
</template>

<style scoped>
.card-sheet {
  box-sizing: border-box;
  width: 128mm;
  max-width: 100%;
  color: var(--ink);
  display: grid;
  gap: 3mm;
  font-size: 10.5pt;
  line-height: 1.25;
}

h1 {
  font-size: 18pt;
}

ol li {
  display: grid;
  grid-template-columns: 6mm 1fr auto;
  gap: 3mm;
  align-items: center;
  padding: 1.5mm 0;
  border-top: 0.2mm solid var(--line);
}

.box {
  width: 5mm;
  height: 5mm;
  border: 0.3mm solid var(--ink);
}

.measure {
  display: grid;
  justify-items: end;
}

b {
  font: 700 13pt/1.1 var(--heading);
}

.refused {
  font-weight: 700;
}

.cautions {
  padding-left: 4mm;
  list-style: disc;
  font-size: 9pt;
}
</style>
