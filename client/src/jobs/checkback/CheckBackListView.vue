<script setup lang="ts">
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
      <h1>Check back</h1>
      <p class="soft">A spray is judged by counting the same leaves again.</p>
    </div>
    <AsyncState v-if="!data" :pending="isPending" :error="error" :retry="refetch" />
    <template v-else>
      <p v-if="open.length === 0" class="note">
        Nothing to look back at. A check-back is set whenever a spray is logged.
      </p>
      <ol v-else>
        <li v-for="c in open" :key="c.id">
          <RouterLink :to="{ name: 'check-back', params: { checkBackId: c.id } }">
            <span>
              <strong>{{ c.where }}</strong> <span v-if="c.patchTest">two leaves</span>
              <span class="soft"
                >{{ c.what
                }}<template v-if="c.targetName"> against {{ inSentence(c.targetName) }}</template></span
              >
            </span>
            <span class="when" :class="{ due: c.due }"
              >{{ c.due ? 'due since' : 'on' }} {{ civilDay(c.dueOn) }}</span
            >
          </RouterLink>
        </li>
      </ol>
      <template v-if="done.length">
        <h2>Judged lately</h2>
        <ol class="done">
          <li v-for="c in done" :key="c.id" class="note">
            <p>
              <strong>{{
                c.outcome
                  ? outcomeWords[c.outcome]
                  : c.patchTest
                    ? `Two leaves, injury: ${injuryWords[c.injury].toLowerCase()}`
                    : 'Looked at'
              }}</strong>: {{ inSentence(c.what) }} on {{ c.where }}
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
