<script setup lang="ts">
import { tell } from '@/language'
import Dialog from 'primevue/dialog'
import { lettersOn, shortcuts } from './useKeys'

const visible = defineModel<boolean>('visible', { required: true })
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    dismissable-mask
    :header="tell('shell.keys')"
    :style="{ width: 'min(460px, 94vw)' }"
  >
    <label class="letters"
      ><input v-model="lettersOn" type="checkbox" /> {{ tell('shell.lettersStartJobs') }}</label
    >
    <dl>
      <template v-for="s in shortcuts" :key="s.key">
        <dt>
          <kbd>{{ s.key }}</kbd>
        </dt>
        <dd>{{ s.does }}</dd>
      </template>
    </dl>
  </Dialog>
</template>

<style scoped>
.letters {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px 16px;
  margin: 0;
}

dd {
  margin: 0;
}

kbd {
  padding: 2px 8px;
  border: 1px solid var(--line);
  border-radius: 4px;
  font: 600 0.95rem var(--text);
}
</style>
