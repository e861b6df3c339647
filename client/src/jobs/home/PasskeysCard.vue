<script setup lang="ts">
import { tell } from '@/language'
import Button from 'primevue/button'
import { ref } from 'vue'
import AsyncState from '@/kit/AsyncState.vue'
import FieldError from '@/kit/FieldError.vue'
import { day } from '@/kit/format'
import { canPasskey, usePasskeys } from './usePasskeys'

/** One's own passkeys: those there are, one more on this device, one taken away. */
defineProps<{ zone: string }>()
const open = ref(false)
const { list, add, remove } = usePasskeys(open)
</script>

<template>
  <details class="card fold" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>
      <strong>{{ tell('home.passkeys') }}</strong>
      <span class="soft">{{ tell('home.comeInByFingerFaceOrCode') }}</span>
    </summary>
    <AsyncState
      v-if="!list.data.value"
      :pending="list.isPending.value"
      :error="list.error.value"
      :retry="list.refetch"
    />
    <template v-else>
      <p v-if="list.data.value.length === 0" class="soft">{{ tell('home.noPasskeyYet') }}</p>
      <ul v-else>
        <li v-for="k in list.data.value" :key="k.id">
          <span>{{ tell('home.passkeyOf', { device: k.device, day: day(k.madeAt, zone) }) }}</span>
          <Button
            :label="tell('home.takeItAway')"
            size="small"
            variant="text"
            :aria-label="tell('home.takeAwayPasskey', { device: k.device })"
            :loading="remove.isPending.value"
            @click="remove.mutate(k.id)"
          />
        </li>
      </ul>
      <Button
        v-if="canPasskey()"
        :label="tell('home.addAPasskey')"
        variant="outlined"
        :loading="add.isPending.value"
        @click="add.mutate(null)"
      />
      <p v-else class="soft">{{ tell('home.passkeysWantAName') }}</p>
      <FieldError :problem="add.error.value ?? remove.error.value" />
    </template>
  </details>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 4px 12px;
  min-height: 48px;
}
</style>
