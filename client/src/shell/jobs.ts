/** A job with the screen that it is done on. */
export interface Job {
  name: string
  label: string
  what: string
}

/** What is done most days, in the order of an evening. */
export const dailyJobs: Job[] = [
  { name: 'board', label: 'Board', what: 'tonight, and what was found where' },
  { name: 'walk', label: 'Walk', what: 'look at the beds and count' },
  { name: 'decide', label: 'Decide', what: 'what to do about what was found' },
  { name: 'rota', label: 'Rota', what: 'the fortnight and the season' },
  { name: 'bench', label: 'Bench', what: 'measure and mix' },
  { name: 'check-backs', label: 'Check back', what: 'did it work?' },
  { name: 'ledger', label: 'Ledger', what: 'what happened in each bed' },
]

/** What is looked up now and then. */
export const otherJobs: Job[] = [
  { name: 'before', label: 'Before trouble', what: 'what keeps it off: air, nets, mulch, collars' },
  { name: 'picking', label: 'Picking', what: 'what may be picked, and what it gave' },
  { name: 'shelf', label: 'Shelf', what: 'bottles, bags and what to buy' },
  { name: 'hours', label: 'Good hours', what: 'when a mix may go on' },
  { name: 'what-if', label: 'What if?', what: 'play ways through before anything is sprayed' },
  { name: 'weather', label: 'Weather', what: 'readings, stations, and by hand' },
  { name: 'almanac', label: 'Almanac', what: 'the years side by side' },
  { name: 'trials', label: 'Trials', what: 'one side against the other' },
  { name: 'garden', label: 'Garden', what: 'places, plantings, household, copies' },
]

const more: Job = { name: 'more', label: 'More', what: '' }

/** Along the top of a wide screen; everything else is under More. */
export const topJobs: Job[] = [...dailyJobs, more]

/** Under the thumb on a phone; everything else is under More. */
export const thumbJobs: Job[] = [
  { name: 'board', label: 'Tonight', what: '' },
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
