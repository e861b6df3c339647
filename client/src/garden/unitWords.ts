import { tell } from '@/language'
/** Units that a dose can be told in, by the API's codes. */
export const unitWords: Record<string, string> = {
  ml: tell('garden.ml'),
  l: tell('garden.litres'),
  'metric-tsp': tell('garden.metricTeaspoons5Ml'),
  'metric-tbsp': tell('garden.metricTablespoons15Ml'),
  'metric-cup': tell('garden.metricCups250Ml'),
  'au-tbsp': tell('garden.australianTablespoons20Ml'),
  'us-tsp': tell('garden.usTeaspoons'),
  'us-tbsp': tell('garden.usTablespoons'),
  'us-floz': tell('garden.usFluidOunces'),
  'us-cup': tell('garden.usCups'),
  'us-pt': tell('garden.usPints'),
  'us-qt': tell('garden.usQuarts'),
  'us-gal': tell('garden.usGallons'),
  'imp-floz': tell('garden.imperialFluidOunces'),
  'imp-pt': tell('garden.imperialPints'),
  'imp-gal': tell('garden.imperialGallons'),
  drop: tell('garden.drops'),
  g: tell('garden.grams'),
  kg: tell('garden.kilograms'),
  oz: tell('garden.ouncesWeight'),
}
