import { ref, type Ref } from 'vue'

const printing = ref(false)
window.addEventListener('beforeprint', () => (printing.value = true))
window.addEventListener('afterprint', () => (printing.value = false))

/** True while the page is laid out for paper, on which nothing can come later. */
export const usePrinting = (): Readonly<Ref<boolean>> => printing
