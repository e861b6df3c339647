import { onMounted, onUnmounted } from 'vue'

/** Sets the paper that the page prints on, while the view is open: "90mm 60mm", "A5". */
export function usePaper(size: string, margin: string) {
  const style = document.createElement('style')
  style.textContent = `@page { size: ${size}; margin: ${margin} }`
  onMounted(() => document.head.append(style))
  onUnmounted(() => style.remove())
}
