import { createSharedComposable, usePreferredDark } from '@vueuse/core'
import { computed, watchEffect } from 'vue'
import { useKept } from '@/kit/useKept'

/** Light, or dusk: as the device has it until somebody turns it. */
export const useDusk = createSharedComposable(() => {
  const prefersDark = usePreferredDark()
  const theme = useKept<'light' | 'dusk' | 'auto'>('mauvaise-theme', 'auto')
  const dusk = computed(() => theme.value === 'dusk' || (theme.value === 'auto' && prefersDark.value))
  watchEffect(() => document.documentElement.classList.toggle('dusk', dusk.value))
  const turn = () => {
    theme.value = dusk.value ? 'light' : 'dusk'
  }
  return { dusk, turn }
})
