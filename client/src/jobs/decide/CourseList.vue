<script setup lang="ts">
import { tell, remarked } from '@/language'
import Button from 'primevue/button'
import { useRouter } from 'vue-router'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenWrite } from '@/garden/useGarden'
import FieldError from '@/kit/FieldError.vue'
import { civilDay, inSentence } from '@/kit/format'

/** Courses that run, with the next round. */
defineProps<{ courses: Schemas['CourseAnswer'][] }>()
const router = useRouter()
const { memberId } = useGarden()
const stop = useGardenWrite((gardenId, courseId: string) =>
  answer(
    api.POST('/api/gardens/{gardenId}/courses/{courseId}/stop', {
      params: { path: { gardenId, courseId } },
      body: { memberId: memberId.value },
    }),
  ),
)
const mixes = (c: Schemas['CourseAnswer']) => c.state === 'roundDue' || c.state === 'patchFirst'
</script>

<template>
  <section class="card" aria-labelledby="courses-head">
    <h2 id="courses-head">{{ tell('decide.courses') }}</h2>
    <p v-if="courses.length === 0" class="soft">
      {{ tell('decide.noneRunsACourseIsTwo') }}
    </p>
    <ol>
      <li v-for="c in courses" :key="c.id">
        <p>
          <strong>{{ c.where }}</strong>:
          {{
            tell('decide.against', { material: inSentence(c.material), targetName: inSentence(c.targetName) })
          }}
        </p>
        <p
          class="rounds"
          role="img"
          :aria-label="tell('decide.ofRoundsGiven', { roundsGiven: c.roundsGiven, rounds: c.rounds })"
        >
          <i v-for="n in Math.max(c.rounds, c.roundsGiven)" :key="n" :class="{ given: n <= c.roundsGiven }" />
          <span class="soft small" aria-hidden="true">{{
            remarked(
              tell('decide.roundsgivenRounds', { roundsGiven: c.roundsGiven, rounds: c.rounds }),
              c.nextOn && tell('decide.next', { nextOn: civilDay(c.nextOn) }),
            )
          }}</span>
        </p>
        <p class="soft small">{{ c.sentence }}</p>
        <p v-if="c.change" class="note caution small">{{ c.change }}</p>
        <div class="actions">
          <Button
            v-if="mixes(c)"
            :label="c.state === 'patchFirst' ? tell('decide.mixForTwoLeaves') : tell('decide.mixTheRound')"
            size="small"
            variant="outlined"
            :aria-label="tell('decide.mixFor', { where: c.where, targetName: c.targetName })"
            @click="
              router.push({
                name: 'bench',
                query: {
                  planting: c.plantingId,
                  target: c.target,
                  recipe: c.recipe,
                  step: c.step,
                  patch: c.state === 'patchFirst' ? 'true' : undefined,
                },
              })
            "
          />
          <Button
            :label="tell('decide.stop')"
            size="small"
            variant="text"
            :aria-label="tell('decide.stopTheCourseOnAgainst', { where: c.where, targetName: c.targetName })"
            @click="stop.mutate(c.id)"
          />
        </div>
      </li>
    </ol>
    <FieldError :problem="stop.error.value" />
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}

li {
  display: grid;
  gap: 4px;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}

.rounds {
  display: flex;
  align-items: center;
  gap: 4px;
}

.rounds i {
  width: 20px;
  height: 12px;
  border: 2px solid var(--mauve-deep);
  border-radius: 2px;
}

.rounds i.given {
  background: var(--mauve);
}

.rounds span {
  margin-left: 6px;
}
</style>
