<script setup lang="ts">
import Button from 'primevue/button'
import { reactive } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import NumberStepper from '@/kit/NumberStepper.vue'
import { civilDay } from '@/kit/format'

/** What was taken on, to be ticked off at the bed. */
defineProps<{ tasks: Schemas['TaskAnswer'][] }>()
const { memberId } = useGarden()
const leaves = reactive<Record<string, number>>({})
const done = useGardenWrite((gardenId, task: Schemas['TaskAnswer']) =>
  answer(
    api.POST('/api/gardens/{gardenId}/tasks/{taskId}/done', {
      params: { path: { gardenId, taskId: task.id } },
      body: { leaves: task.countsLeaves ? (leaves[task.id] ?? null) : null, memberId: memberId.value },
    }),
  ),
)
const drop = useGardenWrite((gardenId, taskId: string) =>
  answer(
    api.POST('/api/gardens/{gardenId}/tasks/{taskId}/drop', {
      params: { path: { gardenId, taskId } },
      body: { memberId: memberId.value },
    }),
  ),
)
</script>

<template>
  <section class="card" aria-labelledby="tasks-head">
    <h2 id="tasks-head">Taken on</h2>
    <p v-if="tasks.length === 0" class="soft">Nothing yet. What you take on waits here, and on the Board.</p>
    <ol>
      <li v-for="task in tasks" :key="task.id">
        <p>
          <strong>{{ task.name }}</strong>, {{ task.where }}
          <span class="soft">{{ task.worn ?? (task.due ? 'due' : civilDay(task.dueOn)) }}</span>
        </p>
        <p class="soft small">{{ task.how }}</p>
        <NumberStepper
          v-if="task.countsLeaves"
          :model-value="leaves[task.id] ?? 0"
          label="Leaves taken off"
          @update:model-value="leaves[task.id] = $event"
        />
        <div class="actions">
          <Button
            :label="task.worn ? 'Renewed' : 'Done'"
            size="small"
            :aria-label="`${task.worn ? 'Renewed' : 'Done'}: ${task.name}, ${task.where}`"
            @click="done.mutate(task)"
          />
          <Button
            :label="task.worn ? 'Not again' : 'Drop'"
            size="small"
            variant="text"
            :aria-label="`${task.worn ? 'Not again' : 'Drop'}: ${task.name}, ${task.where}`"
            @click="drop.mutate(task.id)"
          />
        </div>
      </li>
    </ol>
    <FieldError :problem="done.error.value ?? drop.error.value" />
  </section>
</template>

<style scoped>
li {
  display: grid;
  gap: 4px;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}

section {
  display: grid;
  gap: 8px;
}
</style>
