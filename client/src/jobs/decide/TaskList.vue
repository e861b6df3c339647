<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { reactive } from 'vue'
import { useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import NumberField from '@/kit/NumberField.vue'
import NumberStepper from '@/kit/NumberStepper.vue'
import SelectField from '@/kit/SelectField.vue'
import { civilDay } from '@/kit/format'

/** What was taken on, to be ticked off at the bed. */
defineProps<{ tasks: Schemas['TaskAnswer'][] }>()
const { memberId } = useGarden()
const router = useRouter()
const leaves = reactive<Record<string, number>>({})
/** What is ordered, by task: the usual kind and number until somebody says otherwise. */
const orders = reactive<Record<string, { helper: string; number: number | null }>>({})
const orderOf = (task: Schemas['TaskAnswer']) => {
  const [usual] = task.helperKinds
  return orders[task.id] ?? { helper: usual?.id ?? '', number: usual?.number ?? null }
}
function choose(task: Schemas['TaskAnswer'], helper: string) {
  const kind = task.helperKinds.find((k) => k.id === helper)
  orders[task.id] = { helper, number: kind?.number ?? null }
}
const ordered = (task: Schemas['TaskAnswer']) => {
  const { helper, number } = orderOf(task)
  return task.comesOn && helper && number
    ? { releaseId: crypto.randomUUID(), helper, number, comesOn: task.comesOn }
    : null
}
const done = useGardenWrite((gardenId, task: Schemas['TaskAnswer']) =>
  answer(
    api.POST('/api/gardens/{gardenId}/tasks/{taskId}/done', {
      params: { path: { gardenId, taskId: task.id } },
      body: {
        leaves: task.countsLeaves ? (leaves[task.id] ?? null) : null,
        ordered: ordered(task),
        memberId: memberId.value,
      },
    }),
  ),
)
/** What is mixed for it, in the dose that was proposed. */
const benchOf = (task: Schemas['TaskAnswer']) => ({
  planting: task.plantingId,
  recipe: task.recipe,
  step: task.dose ?? undefined,
})
const doneWord = (task: Schemas['TaskAnswer']) =>
  task.worn
    ? tell('decide.renewed')
    : task.helperKinds.length
      ? tell('decide.ordered')
      : task.helpers
        ? tell('decide.letOut')
        : tell('before.done')
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
    <h2 id="tasks-head">{{ tell('decide.takenOn2') }}</h2>
    <p v-if="tasks.length === 0" class="soft">{{ tell('decide.nothingYetWhatYouTake') }}</p>
    <ol>
      <li v-for="task in tasks" :key="task.id">
        <p>
          <strong>{{ task.name }}</strong><template v-if="task.helpers">: {{ task.helpers }}</template
          >, {{ task.where }}
          <span class="soft">{{ task.worn ?? (task.due ? tell('decide.due') : civilDay(task.dueOn)) }}</span>
        </p>
        <p class="soft small">{{ task.how }}</p>
        <NumberStepper
          v-if="task.countsLeaves"
          :model-value="leaves[task.id] ?? 0"
          :label="tell('decide.leavesTakenOff')"
          @update:model-value="leaves[task.id] = $event"
        />
        <div v-if="task.helperKinds.length" class="order">
          <SelectField
            :model-value="orderOf(task).helper"
            :options="task.helperKinds"
            :label="tell('decide.which')"
            show="name"
            take="id"
            @update:model-value="choose(task, $event)"
          />
          <div class="field">
            <label :for="`number-${task.id}`">{{ tell('decide.howMany') }}</label>
            <NumberField
              :model-value="orderOf(task).number"
              :input-id="`number-${task.id}`"
              :min="1"
              :max-fraction-digits="0"
              @update:model-value="orders[task.id] = { ...orderOf(task), number: $event }"
            />
          </div>
          <p v-if="task.comesOn" class="soft small">
            {{ tell('decide.expectedOn', { comesOn: civilDay(task.comesOn) }) }}
          </p>
        </div>
        <div class="actions">
          <Button
            v-if="task.recipe"
            :label="tell('board.mixIt')"
            size="small"
            variant="outlined"
            :aria-label="tell('decide.mixIt', { step: task.name, where: task.where })"
            @click="router.push({ name: 'bench', query: benchOf(task) })"
          />
          <Button
            :label="doneWord(task)"
            size="small"
            :aria-label="`${doneWord(task)}: ${task.name}, ${task.where}`"
            @click="done.mutate(task)"
          />
          <Button
            :label="task.worn ? tell('decide.notAgain') : tell('decide.drop')"
            size="small"
            variant="text"
            :aria-label="
              task.worn
                ? tell('decide.notAgain2', { task: task.name, where: task.where })
                : tell('decide.drop2', { task: task.name, where: task.where })
            "
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

.order {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px;
  align-items: end;
}
</style>
