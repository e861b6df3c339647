import type { PrimeVueLocaleOptions } from 'primevue/config'
import { tell } from '@/language'

/**
 * What controls say by themselves, most of it to screen readers alone, in the language that is spoken. They fill "{0}" with their figure. What they
 * would say of days, files and passwords is asked for by none here.
 */
export const controlWords = () =>
  ({
    emptyMessage: tell('kit.nothingToChooseFrom'),
    emptyFilterMessage: tell('kit.nothingIsCalledThat'),
    // Before anything is typed nothing was looked for: who offers a search says when it found nothing.
    emptySearchMessage: '',
    searchMessage: tell('kit.foundToChooseFrom', { figure: '{0}' }),
    selectionMessage: tell('kit.chosenOfThem', { figure: '{0}' }),
    emptySelectionMessage: tell('kit.nothingChosen'),
    aria: { listLabel: tell('kit.toChooseFrom'), close: tell('archive.close') },
  }) as unknown as PrimeVueLocaleOptions
