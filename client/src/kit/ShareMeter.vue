<script setup lang="ts">
import { tell } from '@/language'
import { computed } from 'vue'
import type { Judged } from '@/jobs/walk/useSample'
import { percent } from '@/kit/format'
import PlainWords from '@/kit/PlainWords.vue'

/** A share of leaves with its likely range and the action line, on a scale that ends past all of them. */
const props = defineProps<{ sample: Judged }>()

const end = computed(() =>
  Math.min(1, Math.max(0.3, (props.sample.high ?? props.sample.share) * 1.1, props.sample.line * 2)),
)
const left = (share: number) => `${(Math.min(share, end.value) / end.value) * 100}%`
const words = computed(() => {
  const line = percent(props.sample.line)
  switch (props.sample.verdict) {
    case 'above':
      return tell('kit.aboveTheLineEnough', { line })
    case 'below':
      return tell('kit.belowTheLineEnough', { line })
    default:
      return props.sample.moreLeaves > 0
        ? tell('kit.tooFewToTellCountMore', { moreLeaves: props.sample.moreLeaves })
        : tell('kit.tooFewToTellCountOn')
  }
})
</script>

<template>
  <div class="meter">
    <p class="head">
      <strong>{{ tell('kit.affected', { share: percent(sample.share) }) }}</strong>
      <span v-if="sample.low !== undefined && sample.high !== undefined">{{
        tell('kit.likelyTo', { low: percent(sample.low), high: percent(sample.high) })
      }}</span>
    </p>
    <div class="scale" aria-hidden="true">
      <div
        v-if="sample.low !== undefined && sample.high !== undefined"
        class="range"
        :style="{ left: left(sample.low), right: `calc(100% - ${left(sample.high)})` }"
      />
      <div class="dot" :style="{ left: left(sample.share) }" />
      <div class="line" :style="{ left: left(sample.line) }">
        <span>{{ tell('kit.line') }}</span>
      </div>
    </div>
    <p role="status"><PlainWords :text="words" /></p>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}

.scale {
  position: relative;
  height: 26px;
  margin: 8px 8px 2px;
}

.scale::before {
  content: '';
  position: absolute;
  inset: 14px 0 auto;
  height: 6px;
  background: var(--line);
}

.range {
  position: absolute;
  top: 14px;
  height: 6px;
  background: var(--brick);
  opacity: 0.55;
}

.dot {
  position: absolute;
  top: 9px;
  width: 16px;
  height: 16px;
  margin-left: -8px;
  border-radius: 50%;
  background: var(--brick);
}

.line {
  position: absolute;
  top: 2px;
  height: 24px;
  border-left: 2px solid var(--ink);
}

.line span {
  position: absolute;
  left: 4px;
  top: -6px;
  font-size: 0.8rem;
}
</style>
