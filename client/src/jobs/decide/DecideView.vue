<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import CourseList from './CourseList.vue'
import LadderCard from './LadderCard.vue'
import TaskList from './TaskList.vue'
import { open, useDecide, type Ladder, type Step } from './useDecide'

/** What to do about what was found: one planting, or everything that the last looks showed. */
const route = useRoute()
const router = useRouter()
const planting = computed(() => (typeof route.query.planting === 'string' ? route.query.planting : undefined))
const { query, take, acceptMany } = useDecide(planting)
const { data, isPending, error, refetch } = query
const waiting = computed(() => (data.value?.ladders ?? []).flatMap((l) => open(l)).length)
const busy = computed(() => take.isPending.value || acceptMany.isPending.value)
const problem = computed(() => take.error.value ?? acceptMany.error.value)
const all = (ladders: Ladder[]) => ladders.flatMap((ladder) => open(ladder).map((step) => ({ ladder, step })))
const accept = (ladder: Ladder, step: Step) => acceptMany.mutate([{ ladder, step }])
</script>

<template>
  <div class="page wide">
    <div class="page-head">
      <h1>Decide</h1>
      <p class="soft">What was found, and the steps against it, from gentle to drastic.</p>
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <div v-else class="columns">
      <div class="ladders">
        <p v-for="sentence in data.uncounted" :key="sentence" class="note caution">{{ sentence }}</p>
        <p v-if="planting">
          <RouterLink :to="{ name: 'decide' }">Everything that was found</RouterLink>
        </p>
        <div v-if="data.ladders.length === 0" class="note">
          <p>Nothing to decide: the last looks were clean, or nobody has looked yet.</p>
          <div class="actions">
            <Button label="Start a walk" variant="outlined" @click="router.push({ name: 'walk' })" />
          </div>
        </div>
        <FieldError :problem="problem" />
        <LadderCard
          v-for="ladder in data.ladders"
          :key="ladder.observationId"
          :ladder="ladder"
          :busy="busy"
          @accept="(step) => accept(ladder, step)"
          @pass="(step) => take.mutate({ ladder, step, pass: true })"
          @accept-all="acceptMany.mutate(all([ladder]))"
        />
      </div>
      <aside class="side">
        <section v-if="data.ladders.length > 1" class="card">
          <p role="status">
            <strong>{{
              waiting === 0 ? 'Everything is answered.' : `${waiting} steps wait for a yes or a no.`
            }}</strong>
          </p>
          <Button
            v-if="waiting > 0"
            label="Take on all that is proposed"
            fluid
            :loading="busy"
            @click="acceptMany.mutate(all(data.ladders))"
          />
        </section>
        <CourseList :courses="data.courses" />
        <TaskList :tasks="data.tasks" />
      </aside>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 18px;
  align-items: start;
}

.ladders,
.side {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}

.side section {
  display: grid;
  gap: 10px;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
