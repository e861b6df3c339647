import { tell } from '@/language'
/** Stands on the bench, the mix card, the bottle's label and the first page. */
export const generalLine = tell('kit.homeMixesAreNotApprovedProducts')
