<script setup lang="ts">
import { tell } from '@/language'
import type { Schemas } from '@/api/client'
import LeafDrawing from '@/drawings/LeafDrawing.vue'
import StageDrawing from '@/drawings/StageDrawing.vue'

/** The two most likely side by side: the sign each is known by, its stages of life, and how to tell it. */
defineProps<{ leaf: string; suspects: Schemas['SuspectAnswer'][] }>()
</script>

<template>
  <section class="card pair" :aria-label="tell('suspects.theTwoMostLikely')">
    <figure v-for="s in suspects" :key="s.target">
      <LeafDrawing
        :leaf="leaf"
        :sign="s.drawing"
        :side="s.underside ? 'under' : 'upper'"
        :size="150"
        :label="
          s.underside
            ? tell('suspects.onALeafSeenFromBelow', { it: s.name })
            : tell('suspects.onALeaf', { it: s.name })
        "
      />
      <figcaption>
        <strong>{{ s.name }}</strong>
        <i v-if="s.latinName" class="soft small">{{ s.latinName }}</i>
        <span class="soft small">{{ s.howToTell }}</span>
        <span v-if="s.stages.length > 0" class="stages">
          <span v-for="stage in s.stages" :key="stage.name" class="soft small">
            <StageDrawing :creature="stage.drawing" :length-mm="stage.lengthMm" :tint="stage.tint" />
            {{ stage.name }}, {{ stage.where }}
          </span>
        </span>
      </figcaption>
    </figure>
    <p v-if="suspects.some((s) => s.stages.length > 0)" class="soft small life">
      {{ tell('suspects.theSmallOnesAreAsLargeAsLife') }}
    </p>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 14px;
}

figure {
  margin: 0;
  display: grid;
  justify-items: center;
  align-content: start;
  gap: 10px;
  text-align: center;
}

.life {
  grid-column: 1 / -1;
  margin: 0;
}

figcaption {
  display: grid;
  gap: 3px;
}

.stages {
  display: flex;
  flex-wrap: wrap;
  justify-content: center;
  gap: 6px;
  margin-top: 6px;
}

/* As wide as what is drawn at its size. */
.stages > span {
  flex: 1 1 96px;
  min-width: min-content;
  display: grid;
  justify-items: center;
  align-content: start;
}
</style>
