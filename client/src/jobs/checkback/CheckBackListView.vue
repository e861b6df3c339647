<script setup lang="ts">
import { tell, remarked } from '@/language'
import { computed } from 'vue'
import { injuryWords, outcomeWords } from '@/garden/words'
import AsyncState from '@/kit/AsyncState.vue'
import { civilDay, inSentence } from '@/kit/format'
import { useCheckBacks } from './useCheckBack'

const { data, isPending, error, refetch } = useCheckBacks()
const open = computed(() => data.value?.filter((c) => !c.doneAt) ?? [])
const done = computed(() => data.value?.filter((c) => c.doneAt) ?? [])
</script>

<template>
  <div class="page narrow">
    <div class="page-head">
      <h1>{{ tell('checkback.checkBack') }}</h1>
      <p class="soft">{{ tell('checkback.aSprayIsJudgedByCounting') }}</p>
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <p v-if="open.length === 0" class="note">
        {{ tell('checkback.nothingToLookBack') }}
      </p>
      <ol v-else>
        <li v-for="c in open" :key="c.id">
          <RouterLink :to="{ name: 'check-back', params: { checkBackId: c.id } }">
            <span>
              <strong>{{ c.where }}</strong> <span v-if="c.patchTest">{{ tell('checkback.twoLeaves') }}</span>
              <span class="soft">{{
                remarked(
                  c.what,
                  c.targetName && tell('bench.against', { targetName: inSentence(c.targetName) }),
                )
              }}</span>
            </span>
            <span class="when" :class="{ due: c.due }">{{
              c.due
                ? tell('checkback.dueSince', { day: civilDay(c.dueOn) })
                : tell('checkback.on', { day: civilDay(c.dueOn) })
            }}</span>
          </RouterLink>
        </li>
      </ol>
      <template v-if="done.length">
        <h2>{{ tell('checkback.judgedLately') }}</h2>
        <ol class="done">
          <li v-for="c in done" :key="c.id" class="note">
            <p>
              <strong>{{
                c.outcome
                  ? outcomeWords[c.outcome]
                  : c.patchTest
                    ? tell('checkback.twoLeavesInjury', { injuryWords: inSentence(injuryWords[c.injury]) })
                    : tell('checkback.lookedAt')
              }}</strong>:
              {{ tell('checkback.whatWhere', { what: inSentence(c.what), where: c.where }) }}
            </p>
            <p class="soft">{{ c.sentence }}</p>
          </li>
        </ol>
      </template>
    </template>
  </div>
</template>

<style scoped>
a {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  min-height: 64px;
  padding: 10px 14px;
  margin-bottom: 8px;
  color: var(--ink);
  text-decoration: none;
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: var(--radius);
}

a > span:first-child {
  display: grid;
}

.when.due {
  color: var(--brick-ink);
  font-weight: 700;
}

.done {
  display: grid;
  gap: 8px;
}
</style>
