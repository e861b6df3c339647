import type { Schemas } from '@/api/client'

/** Enum values of the API in the gardener's words. */
export const stanceWords: Record<Schemas['Stance'], string> = {
  lastResort: 'Last resort',
  watchAndTreat: 'Watch and treat',
  keepAhead: 'Keep ahead',
}

export const approachWords: Record<Schemas['DiseaseApproach'], string> = {
  cleanThenProtect: 'Clean, then protect',
  protectOnly: 'Protect only',
  neemOnly: 'Neem only',
  milk: 'Milk',
}

export const stepWords: Record<Schemas['DoseStep'], string> = {
  gentle: 'gentle',
  usual: 'usual',
  strong: 'strong',
}

export const mailSecurityWords: Record<Schemas['MailSecurity'], string> = {
  startTls: 'TLS, after a plain hello (STARTTLS)',
  tls: 'TLS from the start',
  none: 'None, on this machine alone',
}

export const formWords: Record<Schemas['Form'], string> = {
  spray: 'spray',
  dip: 'dip',
  drench: 'soil drench',
  dust: 'dust',
  bait: 'bait',
  feed: 'feed',
  wipe: 'wipe',
}

export const dosedPerWords: Record<Schemas['DosedPer'], string> = {
  litre: 'a litre',
  squareMetre: 'a square metre',
  plant: 'a plant',
  station: 'a station',
}

export const waterWords: Record<Schemas['Water'], string> = {
  rain: 'Rain water',
  softTap: 'Soft tap water',
  hardTap: 'Hard tap water',
}

export const placeKindWords: Record<Schemas['PlaceKind'], string> = {
  openBed: 'Open bed',
  raisedBed: 'Raised bed',
  containers: 'Tubs',
  tunnel: 'Tunnel or greenhouse',
  indoorRack: 'Indoor rack',
}

export const wateringWords: Record<Schemas['Watering'], string> = {
  drip: 'Drip line',
  handAtSoil: 'By hand, at the soil',
  overhead: 'From above',
  tray: 'Tray below',
}

export const stageWords: Record<Schemas['GrowthStage'], string> = {
  seedling: 'Seedling',
  young: 'Young',
  flowering: 'Flowering',
  fruiting: 'Fruiting',
  mature: 'Full grown',
  ending: 'Ending',
}

export const roleWords: Record<Schemas['Role'], string> = {
  owner: 'keeps it',
  helper: 'gardens too',
  guest: 'guest: walks and logs',
  looker: 'only looks',
}

/** What a link opens. */
export const linkWords: Record<Schemas['LinkKind'], string> = {
  calendar: 'the calendar',
  neighbours: 'what was sprayed lately',
}

export const lengthUnitWords: Record<Schemas['LengthUnit'], string> = { metres: 'metres', feet: 'feet' }

/** Days on which weeks begin somewhere. */
export const weekStartWords: Record<'monday' | 'sunday' | 'saturday', string> = {
  monday: 'Monday',
  sunday: 'Sunday',
  saturday: 'Saturday',
}

export const hourWords: Record<Schemas['HourCount'], string> = {
  twentyFour: '24 hours, as 19:20',
  twelve: '12 hours, as 7:20 pm',
}

export const kitchenWords: Record<Schemas['KitchenSystem'], string> = {
  metric: 'Metric spoons (5 and 15 ml)',
  us: 'US spoons and cups',
  imperial: 'Imperial',
  australian: 'Australian (20 ml tablespoon)',
}

export const antsWords: Record<Schemas['Ants'], string> = { none: 'none', few: 'few', many: 'many' }

export const plantPartWords: Record<Schemas['PlantPart'], string> = {
  unsaid: 'not said',
  tips: 'growing tips',
  newLeaves: 'new leaves',
  oldLeaves: 'old, low leaves',
  stem: 'stem',
  flowers: 'flowers',
  fruit: 'fruit',
}

export const bedSideWords: Record<Schemas['BedSide'], string> = {
  unsaid: 'not said',
  edge: 'at the edge',
  middle: 'in the middle',
  everywhere: 'everywhere',
}

export const rootCheckWords: Record<Schemas['RootCheck'], string> = {
  notLooked: 'not looked at',
  clean: 'clean and white',
  troubled: 'not as they should be',
}

export const sourceWords: Record<Schemas['WeatherSource'], string> = {
  service: 'weather service',
  file: 'imported file',
  station: 'station',
  hand: 'by hand',
}

export const tableFieldWords: Record<Schemas['TableField'], string> = {
  ignore: 'leave out',
  time: 'date and time',
  date: 'date',
  clock: 'time of day',
  temperature: 'temperature',
  minTemperature: 'lowest temperature',
  maxTemperature: 'highest temperature',
  humidity: 'humidity',
  dewPoint: 'dew point',
  wind: 'wind',
  gust: 'gust',
  rain: 'rain',
  cloud: 'cloud',
  leafWetness: 'leaf wetness (0 to 1)',
  solar: 'solar radiation',
}

export const dateOrderWords: Record<Schemas['DateOrder'], string> = {
  yearFirst: 'year first',
  dayFirst: 'day first',
  monthFirst: 'month first',
}

export const temperatureUnitWords: Record<Schemas['TemperatureUnit'], string> = {
  celsius: '°C',
  fahrenheit: '°F',
}

export const windUnitWords: Record<Schemas['WindUnit'], string> = {
  metresPerSecond: 'm/s',
  kilometresPerHour: 'km/h',
  milesPerHour: 'mph',
  knots: 'knots',
}

export const rainUnitWords: Record<Schemas['RainUnit'], string> = { millimetres: 'mm', inches: 'inches' }

export const injuryWords: Record<Schemas['Injury'], string> = {
  none: 'None',
  slight: 'A little',
  clear: 'Clear',
  severe: 'Severe',
}

export const outcomeWords: Record<NonNullable<Schemas['Outcome']>, string> = {
  cleared: 'Cleared',
  holding: 'Holding',
  losing: 'Losing',
  lost: 'Lost',
}

export const injurySignWords: Record<Schemas['InjurySign'], string> = {
  scorch: 'Scorch',
  curl: 'Curl',
  drop: 'Leaves dropped',
}

export const ledgerKindWords: Record<Schemas['LedgerKind'], string> = {
  spray: 'Sprays',
  task: 'By hand',
  count: 'Counts',
  check: 'Check-backs',
}

export const sprayReasonWords: Record<Schemas['SprayReason'], string> = {
  ownIdea: 'Own idea',
  plan: 'The plan',
  course: 'A course',
}

export const wettedPartWords: Record<Schemas['WettedPart'], string> = {
  undersides: 'Undersides',
  tops: 'Tops',
  stems: 'Stems',
  soil: 'Soil',
}

export const trialUnitWords: Record<Schemas['TrialUnitKind'], string> = {
  leaf: 'Marked leaves',
  plant: 'Plants',
  place: 'Whole places',
}

/** The options of a select from one of the tables above. */
export function options<K extends string>(words: Record<K, string>): { value: K; label: string }[] {
  return (Object.keys(words) as K[]).map((value) => ({ value, label: words[value] }))
}
