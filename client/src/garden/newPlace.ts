import type { Schemas } from '@/api/client'

/** A place as the forms begin it. */
export const emptyPlace = (): Schemas['NewPlace'] => ({
  id: crypto.randomUUID(),
  name: '',
  kind: 'openBed',
  lengthM: 4,
  widthM: 1.2,
  sunHours: 7,
  watering: 'handAtSoil',
  pondDistanceM: null,
  sunFrom: null,
  sunTo: null,
  reservoirLitres: null,
  lampsFrom: null,
  lampsTo: null,
})

/** Fields that show what is wrong beside them. */
export const placeFieldNames = [
  'name',
  'lengthM',
  'widthM',
  'areaM2',
  'sunHours',
  'pondDistanceM',
  'sunFrom',
  'sunTo',
  'reservoirLitres',
  'lampsTo',
]
