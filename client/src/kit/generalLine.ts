/** Stands on the bench, the mix card, the bottle's label and the first page. */
export const generalLine =
  'Home mixes are not approved products. In some countries and on some shared land only registered products may be used on food crops. Follow the product label and your local rules first; for anything stronger than kitchen strength ask a licensed adviser.'
