<script setup lang="ts">
import { tell } from '@/language'
import { useElementSize } from '@vueuse/core'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { answer, api } from '@/api/client'
import { useGarden, useGardenWrite, type Place } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import { told } from '@/kit/household'

/** The garden from above, to be arranged by hand. Places are squares of their area, as their distance is reckoned; their middle is what is kept. */
const { garden, memberId } = useGarden()
const step = 0.5
const placed = computed(() => garden.value?.places.filter((p) => p.spot) ?? [])
const unplaced = computed(() => garden.value?.places.filter((p) => !p.spot) ?? [])

/** Where a place is while it is being moved, before it is kept. */
const held = ref<{ id: string; acrossM: number; downM: number; from: [number, number] | null }>()
const spotOf = (p: Place) => (held.value?.id === p.id ? held.value : p.spot) ?? { acrossM: 0, downM: 0 }
const side = (p: Place) => Math.sqrt(p.areaM2)
/** How far places reach across and down, in metres. */
const reach = computed(() => {
  const farthest = (of: 'acrossM' | 'downM') =>
    Math.max(0, ...placed.value.map((p) => (p.spot?.[of] ?? 0) + side(p) / 2))
  return { acrossM: farthest('acrossM'), downM: farthest('downM') }
})
/** Metres that the drawing shows: all that lies on it, and room to move. */
const size = computed(() => ({
  width: Math.max(8, reach.value.acrossM) + 4,
  height: Math.max(2, reach.value.downM) + 2,
}))

const moving = useGardenWrite(
  (gardenId, { id, acrossM, downM }: { id: string; acrossM: number; downM: number }) =>
    answer(
      api.PUT('/api/gardens/{gardenId}/places/{placeId}/spot', {
        params: { path: { gardenId, placeId: id } },
        body: { acrossM, downM, memberId: memberId.value },
      }),
    ),
)
const half = (m: number) => Math.max(0, Math.round(m / step) * step)
async function keep() {
  const at = held.value
  if (!at) return
  await moving
    .mutateAsync({ id: at.id, acrossM: half(at.acrossM), downM: half(at.downM) })
    .catch(() => undefined)
  held.value = undefined
}

const plan = ref<SVGSVGElement>()
const { width, height } = useElementSize(plan)
/** Names keep their size on every screen: metres that 13 pixels cover now. */
const lineM = computed(
  () => 13 / (Math.min(width.value / size.value.width, height.value / size.value.height) || 40),
)
/** A name stands in its bed where it fits, else word by word below. */
const lettersFit = (p: Place) => side(p) / (lineM.value * 0.62)
const name = (p: Place) =>
  p.name.length <= lettersFit(p)
    ? [{ word: p.name, y: lineM.value * 0.35 }]
    : p.name.split(' ').map((word, i) => ({ word, y: side(p) / 2 + lineM.value * (1.1 + i * 1.1) }))
function metres(event: PointerEvent): [number, number] {
  const onScreen = plan.value?.getScreenCTM()
  if (!onScreen) return [0, 0]
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(onScreen.inverse())
  return [x, y]
}
function take(event: PointerEvent, p: Place) {
  const [x, y] = metres(event)
  const { acrossM, downM } = spotOf(p)
  held.value = { id: p.id, acrossM, downM, from: [x - acrossM, y - downM] }
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent) {
  if (!held.value?.from) return
  const [x, y] = metres(event)
  held.value = {
    ...held.value,
    acrossM: Math.max(0, x - held.value.from[0]),
    downM: Math.max(0, y - held.value.from[1]),
  }
}
const arrows: Record<string, [number, number]> = {
  ArrowLeft: [-step, 0],
  ArrowRight: [step, 0],
  ArrowUp: [0, -step],
  ArrowDown: [0, step],
}
function push(event: KeyboardEvent, p: Place) {
  const by = arrows[event.key]
  if (!by) return
  event.preventDefault()
  const { acrossM, downM } = spotOf(p)
  held.value = {
    id: p.id,
    acrossM: Math.max(0, acrossM + by[0]),
    downM: Math.max(0, downM + by[1]),
    from: null,
  }
}
/** A metre below what lies there already. */
const put = (p: Place) =>
  moving.mutate({
    id: p.id,
    acrossM: half(side(p) / 2 + 1),
    downM: half(reach.value.downM + 1 + side(p) / 2),
  })
</script>

<template>
  <details v-if="garden && garden.places.length > 1" class="card">
    <summary>
      <strong>{{ tell('beds.thePlan') }}</strong>
    </summary>
    <p class="soft small">{{ tell('beds.thePlanHint', { near: told('length', garden.besideM) }) }}</p>
    <div v-if="unplaced.length" class="actions unplaced" role="group" aria-labelledby="unplaced">
      <span id="unplaced">{{ tell('beds.putOnThePlan') }}</span>
      <Button
        v-for="p in unplaced"
        :key="p.id"
        :label="p.name"
        size="small"
        variant="outlined"
        @click="put(p)"
      />
    </div>
    <svg
      v-if="placed.length"
      ref="plan"
      class="plan"
      :viewBox="`0 0 ${size.width} ${size.height}`"
      @pointermove="drag"
      @pointerup="keep"
      @pointercancel="held = undefined"
    >
      <g
        v-for="p in placed"
        :key="p.id"
        class="bed"
        :class="{ held: held?.id === p.id }"
        role="button"
        tabindex="0"
        :aria-label="
          tell('beds.onThePlan', {
            name: p.name,
            x: told('length', spotOf(p).acrossM),
            y: told('length', spotOf(p).downM),
          })
        "
        :transform="`translate(${spotOf(p).acrossM} ${spotOf(p).downM})`"
        @pointerdown="take($event, p)"
        @keydown="push($event, p)"
        @keyup="keep"
      >
        <rect :x="-side(p) / 2" :y="-side(p) / 2" :width="side(p)" :height="side(p)" rx="0.15" />
        <text text-anchor="middle" :font-size="lineM">
          <tspan v-for="line in name(p)" :key="line.word" x="0" :y="line.y">{{ line.word }}</tspan>
        </text>
      </g>
    </svg>
    <FieldError :problem="moving.error.value" />
  </details>
</template>

<style scoped>
.unplaced {
  align-items: center;
  margin: 10px 0;
}

.plan {
  display: block;
  width: 100%;
  max-height: 70vh;
  border: 1px solid var(--line);
  background: var(--surface);
}

.bed {
  cursor: grab;
  touch-action: none;
}

.bed rect {
  fill: var(--leaf-soft);
  stroke: var(--leaf-line);
  stroke-width: 2px;
  vector-effect: non-scaling-stroke;
}

.bed.held rect,
.bed:focus-visible rect {
  stroke: var(--mauve);
  stroke-width: 4px;
}

.bed text {
  fill: var(--ink);
  font-family: var(--heading);
  font-weight: 700;
  pointer-events: none;
}
</style>
