import { tell } from '@/language'
import type { Schemas } from '@/api/client'

/** Enum values of the API in the gardener's words. */
export const stanceWords: Record<Schemas['Stance'], string> = {
  lastResort: tell('garden.lastResort'),
  watchAndTreat: tell('garden.watchAndTreat'),
  keepAhead: tell('garden.keepAhead'),
}

export const approachWords: Record<Schemas['DiseaseApproach'], string> = {
  cleanThenProtect: tell('garden.cleanThenProtect'),
  protectOnly: tell('garden.protectOnly'),
  neemOnly: tell('garden.neemOnly'),
  milk: tell('garden.milk'),
}

export const stepWords: Record<Schemas['DoseStep'], string> = {
  gentle: tell('garden.gentle'),
  usual: tell('garden.usual'),
  strong: tell('garden.strong'),
}

export const evidenceWords: Record<Schemas['EvidenceGrade'], string> = {
  good: tell('garden.evidenceGood'),
  fair: tell('garden.evidenceFair'),
  weak: tell('garden.evidenceWeak'),
}

export const mailSecurityWords: Record<Schemas['MailSecurity'], string> = {
  startTls: tell('garden.tlsAfterAPlainHelloStarttls'),
  tls: tell('garden.tlsFromTheStart'),
  none: tell('garden.noneOnThisMachineAlone'),
}

export const formWords: Record<Schemas['Form'], string> = {
  spray: tell('garden.spray'),
  dip: tell('garden.dip'),
  drench: tell('garden.soilDrench'),
  dust: tell('garden.dust'),
  bait: tell('garden.bait'),
  feed: tell('garden.feed'),
  wipe: tell('garden.wipe'),
}

export const countedOnWords: Record<Schemas['CountedOn'], string> = {
  leaves: tell('walk.onLeaves'),
  tips: tell('walk.onTips'),
  stems: tell('walk.onStems'),
  heads: tell('walk.onHeads'),
  fruits: tell('walk.onFruits'),
  roots: tell('walk.onRoots'),
}

const countedTold: Record<
  Schemas['CountedOn'] | 'plants',
  (n: { affected: number; looked: number }) => string
> = {
  leaves: (n) => tell('garden.countedLeaves', n),
  tips: (n) => tell('garden.countedTips', n),
  stems: (n) => tell('garden.countedStems', n),
  heads: (n) => tell('garden.countedHeads', n),
  fruits: (n) => tell('garden.countedFruits', n),
  roots: (n) => tell('garden.countedRoots', n),
  plants: (n) => tell('garden.countedPlants', n),
}
/** "6 of 20 leaves", in the word of what was counted. */
export const counted = (
  count: { leavesAffected: number; leavesLooked: number; on: Schemas['CountedOn'] },
  byPlant = false,
) =>
  countedTold[byPlant ? 'plants' : count.on]({ affected: count.leavesAffected, looked: count.leavesLooked })

export const stockMakingWords: Record<Schemas['StockMaking'], string> = {
  shaken: tell('shelf.shaken'),
  blended: tell('shelf.blended'),
  steeped: tell('shelf.steeped'),
  boiled: tell('shelf.boiled'),
}

export const perWords: Record<Schemas['DosedPer'], string> = {
  litre: tell('garden.aLitre'),
  squareMetre: tell('garden.aSquareMetre'),
  plant: tell('garden.aPlant'),
  station: tell('garden.aStation'),
}

export const waterWords: Record<Schemas['Water'], string> = {
  rain: tell('garden.rainWater'),
  softTap: tell('garden.softTapWater'),
  hardTap: tell('garden.hardTapWater'),
}

export const placeKindWords: Record<Schemas['PlaceKind'], string> = {
  openBed: tell('garden.openBed'),
  raisedBed: tell('garden.raisedBed'),
  containers: tell('garden.tubs'),
  tunnel: tell('garden.tunnelOrGreenhouse'),
  indoorRack: tell('garden.indoorRack'),
}

export const wateringWords: Record<Schemas['Watering'], string> = {
  drip: tell('garden.dripLine'),
  handAtSoil: tell('garden.byHandAtTheSoil'),
  overhead: tell('garden.fromAbove'),
  tray: tell('garden.trayBelow'),
}

export const stageWords: Record<Schemas['GrowthStage'], string> = {
  seedling: tell('garden.seedling'),
  young: tell('garden.young'),
  flowering: tell('garden.flowering'),
  fruiting: tell('garden.fruiting'),
  mature: tell('garden.fullGrown'),
  ending: tell('garden.ending'),
}

export const roleWords: Record<Schemas['Role'], string> = {
  owner: tell('garden.keepsIt'),
  helper: tell('garden.gardensToo'),
  guest: tell('garden.guestWalksAndLogs'),
  looker: tell('garden.onlyLooks'),
}

/** What a link opens. */
export const linkWords: Record<Schemas['LinkKind'], string> = {
  calendar: tell('garden.theCalendar'),
  neighbours: tell('garden.whatWasSprayedLately'),
}

export const lengthUnitWords: Record<Schemas['LengthUnit'], string> = {
  metres: tell('garden.metres'),
  feet: tell('garden.feet'),
}

/** Days on which weeks begin somewhere. */
export const weekStartWords: Record<'monday' | 'sunday' | 'saturday', string> = {
  monday: tell('garden.monday'),
  sunday: tell('garden.sunday'),
  saturday: tell('garden.saturday'),
}

export const hourWords: Record<Schemas['HourCount'], string> = {
  twentyFour: tell('garden.24HoursAs1920'),
  twelve: tell('garden.12HoursAs720Pm'),
}

export const kitchenWords: Record<Schemas['KitchenSystem'], string> = {
  metric: tell('garden.metricSpoons5And15Ml'),
  us: tell('garden.usSpoonsAndCups'),
  imperial: tell('garden.imperial'),
  australian: tell('garden.australian20MlTablespoon'),
}

export const antsWords: Record<Schemas['Ants'], string> = {
  unsaid: tell('garden.notSaid'),
  none: tell('garden.none'),
  few: tell('garden.few'),
  many: tell('garden.many'),
}

export const plantPartWords: Record<Schemas['PlantPart'], string> = {
  unsaid: tell('garden.notSaid'),
  tips: tell('garden.growingTips'),
  newLeaves: tell('garden.newLeaves'),
  oldLeaves: tell('garden.oldLowLeaves'),
  stem: tell('garden.stem'),
  flowers: tell('garden.flowers'),
  fruit: tell('garden.fruit'),
}

export const bedSideWords: Record<Schemas['BedSide'], string> = {
  unsaid: tell('garden.notSaid'),
  edge: tell('garden.atTheEdge'),
  middle: tell('garden.inTheMiddle'),
  everywhere: tell('garden.everywhere'),
}

export const rootCheckWords: Record<Schemas['RootCheck'], string> = {
  notLooked: tell('garden.notLooked'),
  clean: tell('garden.cleanAndWhite'),
  troubled: tell('garden.notAsTheyShould'),
}

export const sourceWords: Record<Schemas['WeatherSource'], string> = {
  service: tell('garden.weatherService'),
  file: tell('garden.importedFile'),
  station: tell('garden.station'),
  hand: tell('garden.byHand'),
}

export const tableFieldWords: Record<Schemas['TableField'], string> = {
  ignore: tell('garden.leaveOut'),
  time: tell('garden.dateAndTime'),
  date: tell('garden.date'),
  clock: tell('garden.timeOfDay'),
  temperature: tell('garden.temperature'),
  minTemperature: tell('garden.lowestTemperature'),
  maxTemperature: tell('garden.highestTemperature'),
  humidity: tell('garden.humidity'),
  dewPoint: tell('garden.dewPoint'),
  wind: tell('board.wind2'),
  gust: tell('garden.gust'),
  rain: tell('garden.rain'),
  cloud: tell('garden.cloud'),
  leafWetness: tell('garden.leafWetness0To1'),
  solar: tell('garden.solarRadiation'),
}

export const dateOrderWords: Record<Schemas['DateOrder'], string> = {
  yearFirst: tell('garden.yearFirst'),
  dayFirst: tell('garden.dayFirst'),
  monthFirst: tell('garden.monthFirst'),
}

export const temperatureUnitWords: Record<Schemas['TemperatureUnit'], string> = {
  celsius: '°C',
  fahrenheit: '°F',
}

export const windUnitWords: Record<Schemas['WindUnit'], string> = {
  metresPerSecond: 'm/s',
  kilometresPerHour: 'km/h',
  milesPerHour: tell('garden.mph'),
  knots: tell('garden.knots'),
  beaufort: tell('garden.beaufort'),
}

export const dayOrderWords: Record<Schemas['DayOrder'], string> = {
  dayFirst: tell('garden.dayComesFirst'),
  monthFirst: tell('garden.monthComesFirst'),
}

export const rainUnitWords: Record<Schemas['RainUnit'], string> = {
  millimetres: tell('garden.mm'),
  inches: tell('garden.inches'),
}

export const injuryWords: Record<Schemas['Injury'], string> = {
  unsaid: tell('garden.notSaid'),
  none: tell('garden.none2'),
  slight: tell('garden.aLittle'),
  clear: tell('garden.clear'),
  severe: tell('garden.severe'),
}

export const isHurt = (injury: Schemas['Injury']) => injury !== 'none' && injury !== 'unsaid'

export const outcomeWords: Record<NonNullable<Schemas['Outcome']>, string> = {
  cleared: tell('garden.cleared'),
  holding: tell('garden.holding'),
  losing: tell('garden.losing'),
  lost: tell('garden.lost'),
}

export const injurySignWords: Record<Schemas['InjurySign'], string> = {
  scorch: tell('garden.scorch'),
  curl: tell('garden.curl'),
  drop: tell('garden.leavesDropped'),
}

export const ledgerKindWords: Record<Schemas['LedgerKind'], string> = {
  spray: tell('garden.sprays'),
  task: tell('garden.byHand2'),
  count: tell('garden.counts'),
  check: tell('garden.checkBacks'),
}

export const sprayReasonWords: Record<Schemas['SprayReason'], string> = {
  ownIdea: tell('garden.ownIdea'),
  plan: tell('garden.thePlan'),
  course: tell('garden.aCourse'),
}

export const wettedPartWords: Record<Schemas['WettedPart'], string> = {
  undersides: tell('garden.undersides'),
  tops: tell('garden.tops'),
  stems: tell('garden.stems'),
  soil: tell('garden.soil'),
}

export const trialUnitWords: Record<Schemas['TrialUnitKind'], string> = {
  leaf: tell('garden.markedLeaves'),
  plant: tell('garden.plants'),
  place: tell('garden.wholePlaces'),
}

/** The options of a select from one of the tables above. */
export function options<K extends string>(words: Record<K, string>): { value: K; label: string }[] {
  return (Object.keys(words) as K[]).map((value) => ({ value, label: words[value] }))
}

/** What a part of a recipe is like that is not known here. */
export const heardNatureWords: Record<Schemas['HeardNature'], string> = {
  oil: tell('bench.likeOil'),
  soap: tell('bench.likeSoap'),
  salt: tell('bench.likeSalt'),
  acid: tell('bench.likeAcid'),
  alcohol: tell('bench.likeAlcohol'),
  hot: tell('bench.likeHot'),
  plant: tell('bench.likePlant'),
  feed: tell('bench.likeFeed'),
  other: tell('bench.likeOther'),
}

/** What was said, one after the other. */
export const sentences = (said: readonly Pick<Schemas['SaidAnswer'], 'sentence'>[], between = ' '): string =>
  said.map((s) => s.sentence).join(between)
