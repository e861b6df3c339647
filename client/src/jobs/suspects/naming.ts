import type { Schemas } from '@/api/client'

/**
 * Ranks causes on the device as `SuspectRanker` does on the server, from tables that it sends, for a count that waits to be sent. What each
 * figure means stands there. The two are held to the same cases by tests on both sides.
 */
export type Tables = Schemas['NamingTables']
export interface Seen {
  sign: string
  present: boolean
}
export interface Ranking {
  /** By cause, in the order of the tables. */
  probabilities: number[]
  /** Indexes of causes, the likeliest first. */
  order: number[]
  notListed: number
  /** The likeliest name group. */
  group: { nameGroup: string; probability: number }
  together: { first: number; second: number; probability: number } | null
  next: { sign: string; leadIfYes: number; leadIfNo: number } | null
}

/** Signs as noted, and those that follow from the rest of the note. What was noted outranks what follows. */
export function evidenceOf(
  { following }: Tables,
  seen: Pick<Schemas['NewObservation'], 'signs' | 'ants' | 'part' | 'roots'>,
): Seen[] {
  const noted = (seen.signs ?? []).map(({ sign, present }) => ({ sign, present }))
  const follows = [
    ...following.parts.filter((p) => p.part === seen.part).map((p) => ({ sign: p.sign, present: true })),
    ...(seen.ants === 'few' || seen.ants === 'many' ? [{ sign: following.ants, present: true }] : []),
    ...(seen.roots === 'clean' ? following.notOnCleanRoots.map((sign) => ({ sign, present: false })) : []),
  ]
  return [...noted, ...follows.filter((f) => !noted.some((n) => n.sign === f.sign))]
}

export function rank(
  tables: Tables,
  priors: readonly number[],
  seen: readonly Seen[],
  notSure: readonly string[] = [],
): Ranking {
  const { rules, causes } = tables
  const chances = chancesOf(tables)
  const { said, told, notListed, together } = weigh(tables, chances, priors, seen)
  const id = (i: number) => at(causes, i).suspect.target
  const order = told.map((_, i) => i).sort((a, b) => at(told, b) - at(told, a) || (id(a) < id(b) ? -1 : 1))
  const lead = at(order, 0)
  const leadIf = (sign: string, present: boolean) =>
    at(weigh(tables, chances, priors, [...seen, { sign, present }]).told, lead)
  const enough = seen.filter((s) => !s.present).length + notSure.length >= rules.mostQuestions
  const asked = new Set([...seen.map((s) => s.sign), ...notSure])
  const sign = enough ? null : bestQuestion(tables, chances, said, lead, asked)
  return {
    probabilities: told,
    order,
    notListed,
    group: leadingGroup(tables, told),
    together: together && together.probability >= rules.tellTogether ? together : null,
    next: sign === null ? null : { sign, leadIfYes: leadIf(sign, true), leadIfNo: leadIf(sign, false) },
  }
}

/** Probabilities of all causes: what the signs say, and what is told of it. */
function weigh(tables: Tables, chances: Chances, priors: readonly number[], seen: readonly Seen[]) {
  const { rules } = tables
  const onCrop = sum(priors)
  const weights = priors.map((prior, i) =>
    seen.reduce((w, s) => w * (s.present ? chances(i, s.sign) : 1 - chances(i, s.sign)), prior),
  )
  const other = seen.reduce(
    (w, s) => w * (s.present ? rules.otherShows : rules.otherLacks),
    rules.otherWeight * onCrop,
  )
  const pairs = pairsOf(tables, chances, priors, onCrop, seen)
  const total = sum(weights) + other + sum(pairs.map((p) => p.weight))
  let best: Pair | undefined
  for (const pair of pairs) if (!best || pair.weight > best.weight) best = pair
  for (const { first, second, weight } of pairs) {
    weights[first] = at(weights, first) + weight / 2
    weights[second] = at(weights, second) + weight / 2
  }

  const sharp = weights.map((w) => (w / total) ** rules.sharpness)
  const otherSharp = (other / total) ** rules.sharpness
  const whole = sum(sharp) + otherSharp
  const said = sharp.map((p) => p / whole)
  const told = [...said]
  const notListed = otherSharp / whole + heldDown(tables, chances, priors, seen, told)
  return {
    said,
    told,
    notListed,
    together: best ? { first: best.first, second: best.second, probability: best.weight / total } : null,
  }
}

/** What is shown of a ranking: the suspects, what stands for all of them, what is asked next. As the server's answer, without what only it knows. */
export function shownOf(
  tables: Tables,
  ranking: Ranking,
): Pick<Schemas['SuspectsAnswer'], 'suspects' | 'notListed' | 'meanwhile' | 'group' | 'together' | 'next'> {
  const { probabilities, order, notListed, group, together, next } = ranking
  const suspects = order
    .slice(0, tables.shown)
    .map((i) => ({ ...at(tables.causes, i).suspect, probability: at(probabilities, i) }))
  const lead = at(suspects, 0).probability
  const name = tables.groups.find((g) => g.nameGroup === group.nameGroup)
  return {
    suspects,
    notListed,
    meanwhile: notListed > lead ? tables.meanwhile : null,
    group:
      name && group.probability >= tables.groupSure && lead < tables.groupSure
        ? { target: name.target, name: name.name, probability: group.probability }
        : null,
    together: together && {
      first: at(tables.causes, together.first).suspect.name,
      second: at(tables.causes, together.second).suspect.name,
      probability: together.probability,
    },
    next: next && { ...next, question: tables.signs.find((s) => s.id === next.sign)?.question ?? '' },
  }
}

type Chances = (cause: number, sign: string) => number
interface Pair {
  first: number
  second: number
  weight: number
}

/** The entry at an index that is known to be there. */
const at = <T>(list: readonly T[], i: number) => list[i] as T

const sum = (numbers: readonly number[]) => numbers.reduce((all, n) => all + n, 0)

/** How likely a sign is under a cause. */
function chancesOf({ signs, causes }: Tables): Chances {
  const bySign = new Map(signs.map((s) => [s.id, s]))
  return (i, sign) => {
    const cause = at(causes, i)
    const listed = cause.shows[sign]
    if (listed !== undefined) return listed
    const unlisted = bySign.get(sign) as Tables['signs'][number]
    return cause.suspect.kind === 'lookAlike' ? unlisted.withoutLife : unlisted.usual
  }
}

/** Takes from a kind that is not to be told for sure what is too much, and gives it to its group. Answers what goes to something that is not listed. */
function heldDown(
  { rules, causes }: Tables,
  chances: Chances,
  priors: readonly number[],
  seen: readonly Seen[],
  probabilities: number[],
): number {
  const lead = probabilities.indexOf(Math.max(...probabilities))
  const over = at(probabilities, lead) - rules.mostUntold
  if (over <= 0) return 0
  const { nameGroup, suspect } = at(causes, lead)
  const signs = seen.filter((s) => s.present).map((s) => s.sign)
  const unexplained = signs.some((s) => chances(lead, s) <= rules.unexplained)
  // Where there is no other kind, the kind's name is the group's.
  const alone = causes.filter((c) => !c.suspect.isGroup && c.nameGroup === nameGroup).length === 1
  const group = alone ? -1 : causes.findIndex((c) => c.suspect.isGroup && c.nameGroup === nameGroup)
  const elsewhere = (sign: string) =>
    sum(priors.map((prior, i) => (at(causes, i).nameGroup === nameGroup ? 0 : prior * chances(i, sign)))) /
    sum(priors)
  const isItsOwn = (sign: string) =>
    chances(lead, sign) >= rules.ownToAll * elsewhere(sign) &&
    (group < 0 || chances(lead, sign) >= rules.ownToGroup * chances(group, sign))
  const told =
    suspect.isGroup ||
    signs.filter((s) => chances(lead, s) >= rules.shows).length >= rules.manySigns ||
    signs.some(isItsOwn)
  if (told && !unexplained) return 0
  probabilities[lead] = rules.mostUntold
  if (unexplained || group < 0) return over
  probabilities[group] = at(probabilities, group) + over
  return 0
}

/** Two causes at once: a sign shows when either of them shows it. */
function pairsOf(
  { rules, causes }: Tables,
  chances: Chances,
  priors: readonly number[],
  onCrop: number,
  seen: readonly Seen[],
): Pair[] {
  const present = seen.filter((s) => s.present)
  if (present.length < 2) return []
  const kinds = causes.map((_, i) => i).filter((i) => !at(causes, i).suspect.isGroup)
  const paired = [
    ...new Set(
      present.flatMap((s) =>
        kinds
          .map((i) => ({ i, weight: at(priors, i) * chances(i, s.sign) }))
          .sort((a, b) => b.weight - a.weight)
          .slice(0, rules.pairedForEachSign)
          .map(({ i }) => i),
      ),
    ),
  ].sort((a, b) => a - b)
  return paired.flatMap((first, place) =>
    paired
      .slice(place + 1)
      // Two of one name group look like one of them.
      .filter((second) => at(causes, first).nameGroup !== at(causes, second).nameGroup)
      .map((second) => ({
        first,
        second,
        weight: seen.reduce(
          (w, s) => {
            const neither = (1 - chances(first, s.sign)) * (1 - chances(second, s.sign))
            return w * (s.present ? 1 - neither : neither)
          },
          (rules.togetherWeight * at(priors, first) * at(priors, second)) / onCrop,
        ),
      })),
  )
}

function leadingGroup({ causes }: Tables, probabilities: readonly number[]) {
  const groups = new Map<string, number>()
  causes.forEach((c, i) => groups.set(c.nameGroup, (groups.get(c.nameGroup) ?? 0) + (probabilities[i] ?? 0)))
  const first = at(
    [...groups].sort(([a, p], [b, q]) => q - p || (a < b ? -1 : 1)),
    0,
  )
  return { nameGroup: first[0], probability: first[1] }
}

const pLogP = (p: number) => (p > 0 ? p * Math.log2(p) : 0)

/** The unasked sign with the largest expected drop in entropy, by what the signs say and not by how modestly it is told. */
function bestQuestion(
  { rules, signs }: Tables,
  chances: Chances,
  p: readonly number[],
  lead: number,
  asked: ReadonlySet<string>,
): string | null {
  if (p.length < 2 || at(p, lead) >= rules.settled) return null
  const now = pLogP(sum(p)) - sum(p.map(pLogP))
  let best: { sign: string; gain: number } | null = null
  for (const { id: sign } of signs) {
    if (asked.has(sign)) continue
    const yes = p.map((x, i) => x * chances(i, sign))
    const no = p.map((x, i) => x - at(yes, i))
    const left = (w: readonly number[]) => pLogP(sum(w)) - sum(w.map(pLogP))
    const gain = Number((now - left(yes) - left(no)).toFixed(9))
    if (gain > rules.worthAsking && (!best || gain > best.gain || (gain === best.gain && sign < best.sign)))
      best = { sign, gain }
  }
  return best && best.sign
}
