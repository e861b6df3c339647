import { tell } from '@/language'
/** A job with the screen that it is done on. */
export interface Job {
  name: string
  label: string
  what: string
}

/** What is done most days, in the order of an evening. */
export const dailyJobs: Job[] = [
  { name: 'board', label: tell('board.board'), what: tell('shell.tonightAndWhatWasFoundWhere') },
  { name: 'walk', label: tell('walk.walk'), what: tell('shell.lookAtTheBedsAndCount') },
  { name: 'decide', label: tell('board.decide'), what: tell('shell.whatToDoAboutWhat') },
  { name: 'rota', label: tell('rota.rota'), what: tell('shell.theFortnightAndTheSeason') },
  { name: 'bench', label: tell('bench.bench'), what: tell('shell.measureAndMix') },
  { name: 'check-backs', label: tell('checkback.checkBack'), what: tell('shell.didItWork') },
  { name: 'ledger', label: tell('ledger.ledger'), what: tell('shell.whatHappenedInEachBed') },
]

/** What is looked up now and then. */
export const otherJobs: Job[] = [
  { name: 'before', label: tell('before.beforeTrouble'), what: tell('shell.whatKeepsItOffAirNets') },
  { name: 'picking', label: tell('picking.picking'), what: tell('shell.whatMayBePickedAndWhat') },
  { name: 'shelf', label: tell('shelf.shelf'), what: tell('shell.bottlesBagsAndWhatToBuy') },
  { name: 'hours', label: tell('place.goodHours'), what: tell('shell.whenAMixMayGo') },
  { name: 'what-if', label: tell('decide.whatIf'), what: tell('shell.playWaysThroughBeforeAnything') },
  { name: 'weather', label: tell('weather.weather'), what: tell('shell.readingsStationsAndByHand') },
  { name: 'almanac', label: tell('ledger.almanac'), what: tell('shell.theYearsSideBySide') },
  { name: 'trials', label: tell('ledger.trials'), what: tell('shell.oneSideAgainstTheOther') },
  { name: 'garden', label: tell('shell.garden'), what: tell('shell.placesPlantingsHouseholdCopies') },
]

const more: Job = { name: 'more', label: tell('shell.more'), what: '' }

/** Along the top of a wide screen; everything else is under More. */
export const topJobs: Job[] = [...dailyJobs, more]

/** Under the thumb on a phone; everything else is under More. */
export const thumbJobs: Job[] = [
  { name: 'board', label: tell('shell.tonight'), what: '' },
  ...dailyJobs.filter((j) => ['walk', 'decide', 'bench'].includes(j.name)),
  more,
]

/** Screens that are part of a job and bear another name, by the first part of their path. */
const partOf: Record<string, string> = {
  '': 'board',
  outing: 'board',
  suspects: 'walk',
  label: 'bench',
  spray: 'bench',
  learned: 'ledger',
  places: 'garden',
}

/** The name of the job among these that a screen belongs to; More when it is none of them. */
export function jobAmong(jobs: Job[], path: string): string {
  const first = path.split('/')[1] ?? ''
  const name = partOf[first] ?? first
  return jobs.some((j) => j.name === name) ? name : more.name
}
