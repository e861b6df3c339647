import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { answer, api, type Schemas } from '@/api/client'
import { useGarden, useGardenQuery, useGardenWrite } from '@/garden/useGarden'

export type Ladder = Schemas['LadderAnswer']
export type Step = Schemas['LadderStepAnswer']
export type Way = Schemas['WayAnswer']

/** Ladders of one planting, or of everything that the last looks showed, with what can be said to their steps. */
export function useDecide(planting: MaybeRefOrGetter<string | undefined>) {
  const { memberId } = useGarden()
  const query = useGardenQuery(
    computed(() => ['decide', toValue(planting)]),
    (gardenId) =>
      answer(
        api.GET('/api/gardens/{gardenId}/decide', {
          params: { path: { gardenId }, query: { planting: toValue(planting) } },
        }),
      ),
  )

  /** A step without a sprayer: taken on, or passed by. A spray can only be passed by here. */
  const take = useGardenWrite(
    (gardenId, { ladder, step, pass }: { ladder: Ladder; step: Step; pass: boolean }) =>
      answer(
        api.POST('/api/gardens/{gardenId}/tasks', {
          params: { path: { gardenId } },
          body: {
            id: crypto.randomUUID(),
            observationId: ladder.observationId,
            step: step.code,
            pass,
            memberId: memberId.value,
          },
        }),
      ),
  )

  const begin = useGardenWrite((gardenId, course: Omit<Schemas['NewCourse'], 'id' | 'memberId'>) =>
    answer(
      api.POST('/api/gardens/{gardenId}/courses', {
        params: { path: { gardenId } },
        body: { id: crypto.randomUUID(), memberId: memberId.value, ...course },
      }),
    ),
  )

  /** Says no to all that is proposed against one trouble: one deed. */
  const passMany = useGardenWrite((gardenId, { ladder, steps }: { ladder: Ladder; steps: Step[] }) =>
    answer(
      api.POST('/api/gardens/{gardenId}/tasks/many', {
        params: { path: { gardenId } },
        body: {
          tasks: steps.map((step) => ({
            id: crypto.randomUUID(),
            observationId: ladder.observationId,
            step: step.code,
            pass: true,
            on: null,
            memberId: memberId.value,
          })),
          courses: [],
          memberId: memberId.value,
        },
      }),
    ),
  )

  const acceptMany = useGardenWrite((gardenId, steps: { ladder: Ladder; step: Step }[]) =>
    answer(
      api.POST('/api/gardens/{gardenId}/tasks/many', {
        params: { path: { gardenId } },
        body: {
          tasks: steps
            .filter(({ step }) => !isCourse(step))
            .map(({ ladder, step }) => ({
              id: crypto.randomUUID(),
              observationId: ladder.observationId,
              step: step.code,
              pass: false,
              on: null,
              memberId: memberId.value,
            })),
          courses: steps.flatMap(({ ladder, step }) =>
            isCourse(step) && ladder.target && step.recipe
              ? [
                  {
                    id: crypto.randomUUID(),
                    plantingId: ladder.plantingId,
                    target: ladder.target,
                    recipe: step.recipe,
                    days: null,
                    way: null,
                    step: 'gentle' as const,
                    memberId: memberId.value,
                  },
                ]
              : [],
          ),
          memberId: memberId.value,
        },
      }),
    ),
  )

  /** Another way than the proposed one: what is done by hand is taken on, what is mixed begins as a course. */
  const takeWay = useGardenWrite((gardenId, { ladder, way }: { ladder: Ladder; way: Way }) =>
    answer(
      api.POST('/api/gardens/{gardenId}/tasks/many', {
        params: { path: { gardenId } },
        body: {
          tasks: way.measures.map((step) => ({
            id: crypto.randomUUID(),
            observationId: ladder.observationId,
            step,
            pass: false,
            on: null,
            memberId: memberId.value,
          })),
          courses:
            ladder.target && way.recipe
              ? [
                  {
                    id: crypto.randomUUID(),
                    plantingId: ladder.plantingId,
                    target: ladder.target,
                    recipe: way.recipe,
                    days: null,
                    way: way.id,
                    step: 'gentle' as const,
                    memberId: memberId.value,
                  },
                ]
              : [],
          memberId: memberId.value,
        },
      }),
    ),
  )

  return { query, take, begin, acceptMany, passMany, takeWay }
}

/** Leaving it alone is nothing to take on. */
export const isLeaving = (way: Way) => way.measures.length === 0 && way.recipe === null

/** Steps that are sprayed in rounds. */
export const isCourse = (step: Step) => step.course !== null

/** Steps that the ladder proposes and that nobody has answered yet; a round of a running course was answered when it began. */
export const open = (ladder: Ladder) =>
  ladder.steps.filter((s) => s.choice === 'do' && !s.taken && (s.rung !== 'spray' || isCourse(s)))
