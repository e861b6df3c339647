import type { Schemas } from '@/api/client'
import { metric, type Scale } from '@/kit/household'

/** Answers as the server gives them, for screens that are mounted without it. */

export const gardenId = '11111111-1111-4111-8111-111111111111'
export const placeId = '22222222-2222-4222-8222-222222222222'
export const plantingId = '33333333-3333-4333-8333-333333333333'
export const otherId = '44444444-4444-4444-8444-444444444444'

export const state: Schemas['StateAnswer'] = {
  gardens: [{ id: gardenId, name: 'Lock keeper’s' }],
  demo: false,
  now: '2026-07-16T15:40:00Z',
}

const planting: Schemas['PlantingAnswer'] = {
  id: plantingId,
  crop: 'courgette',
  likeCrop: 'courgette',
  cropName: 'Courgette',
  alsoCalled: ['zucchini'],
  variety: null,
  leaf: 'lobed',
  stage: 'fruiting',
  inFlower: false,
  from: '2026-05-20',
  count: 6,
  lastSeen: null,
  picks: [],
  leftAlone: null,
  apartUntil: null,
}

const typed: Scale[] = []

export const garden: Schemas['GardenAnswer'] = {
  id: gardenId,
  name: 'Lock keeper’s',
  now: '2026-07-16T15:40:00Z',
  localNow: '2026-07-16T17:40:00+02:00',
  timeZoneId: 'Europe/Vienna',
  latitude: 47.5,
  longitude: 16.3,
  climate: 'continental',
  stance: 'watchAndTreat',
  diseaseApproach: 'cleanThenProtect',
  kitchen: 'metric',
  onlyLabelled: false,
  water: 'rain',
  besideM: 3,
  members: [{ id: otherId, name: 'Ilse', role: 'owner' }],
  places: [
    {
      id: placeId,
      name: 'Chapel',
      kind: 'openBed',
      areaM2: 5,
      sunHours: 7,
      watering: 'drip',
      pondDistanceM: null,
      sunFrom: null,
      sunTo: null,
      stance: 'watchAndTreat',
      ownStance: false,
      plantings: [planting],
      reservoirLitres: null,
      lampsFrom: null,
      lampsTo: null,
      spot: null,
    },
  ],
  sprayers: [{ id: otherId, name: 'Bottle', capacityLitres: 1, holds: '1 l' }],
  units: {
    temperature: 'celsius',
    length: 'metres',
    rain: 'millimetres',
    wind: 'metresPerSecond',
    hours: 'twentyFour',
    weekStart: 'monday',
    days: 'dayFirst',
    currency: 'EUR',
    dropsInSpoon: 100,
  },
  language: 'en',
  scales: {
    ...metric,
    typed: {
      temperature: typed,
      length: typed,
      area: typed,
      rain: typed,
      wind: typed,
      volume: typed,
      doseMl: typed,
      doseG: typed,
      areaDoseMl: typed,
      areaDoseG: typed,
    },
  },
  freeHours: ['always', 'always', 'always', 'always', 'always', 'always', 'always'],
  weather: { fetchedAt: null, stale: false, sentence: '' },
  lastDeed: null,
}

export const home: Schemas['HomeAnswer'] = { signIn: false, person: null }
