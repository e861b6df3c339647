/** A line drawing in a box of 60 by 40: limbs below, the body, lines on it, and solid parts. */
export interface Creature {
  limbs?: string
  lines?: string
  soft?: string
  solid?: string
  /** How long the body is in the box, where that is not half of it. */
  span?: number
}

/** Length of a creature's body in the box of its drawing. */
export const spanOf = (creature: string): number => spans[creature] ?? 36

const oval = (x: number, y: number, rx: number, ry = rx) =>
  `M${x - rx} ${y}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`
const ovals = (list: [x: number, y: number, rx: number, ry?: number][]) =>
  list.map(([x, y, rx, ry]) => oval(x, y, rx, ry)).join('')
/** Three legs to either side of a body that lies along the box. */
const legs = (x: number, y: number, reach: number, height: number) =>
  [-1, 0, 1]
    .map((k) =>
      [-1, 1]
        .map(
          (side) =>
            `M${x + k * reach * 0.6} ${y + side * height * 0.4}l${k * reach * 0.5 + 1} ${side * height}`,
        )
        .join(''),
    )
    .join('')
const feelers = (x: number, y: number, length: number) =>
  `M${x} ${y - 2}q${length * 0.6} -2 ${length} -${length * 0.7}M${x} ${y + 2}q${length * 0.6} 2 ${length} ${length * 0.7}`
const rings = (xs: number[], y: number, half: number) =>
  xs.map((x) => `M${x} ${y - half}v${2 * half}`).join('')
const eggRow = (list: [number, number][], rx: number, ry: number) =>
  ovals(list.map(([x, y]) => [x, y, rx, ry]))

const aphid = (length: number, extra = ''): Creature => ({
  soft: oval(28, 20, length, length * 0.62),
  limbs:
    legs(30, 20, length * 0.8, 8) +
    feelers(28 + length - 1, 20, 10) +
    `M${28 - length * 0.7} ${20 - length * 0.35}l-5 -4M${28 - length * 0.7} ${20 + length * 0.35}l-5 4` +
    extra,
})
const caterpillar = (xs: number[], ys: number[]): Creature => ({
  soft: ovals(xs.map((x, i) => [x, ys[i] ?? 22, 5, 5])),
  lines: xs.map((x, i) => `M${x} ${(ys[i] ?? 22) + 5}v3`).join(''),
  solid: oval((xs[xs.length - 1] ?? 48) + 4, ys[ys.length - 1] ?? 22, 3.2),
})
const flier = (wing: string, body: string, extra = ''): Creature => ({
  soft: wing,
  solid: body,
  limbs: extra,
})

/** By the names the catalogue gives to helpers and stages of life. */
export const creatures: Record<string, Creature> = {
  ladybird: {
    soft: oval(28, 20, 14, 12),
    lines: 'M14 20H42',
    limbs: legs(28, 20, 10, 14),
    solid:
      oval(44, 20, 4, 6) +
      ovals([
        [22, 14, 2.2],
        [22, 26, 2.2],
        [32, 14, 2.2],
        [32, 26, 2.2],
      ]),
  },
  'ladybird-larva': {
    soft: 'M8 20q6 -8 22 -8q16 0 20 8q-4 8 -20 8q-16 0 -22 -8Z',
    lines: rings([18, 26, 34, 42], 20, 8),
    limbs: legs(38, 20, 10, 12) + 'M16 12l-2 -4M26 11v-4M16 28l-2 4M26 29v4',
    solid: oval(51, 20, 3),
  },
  'lacewing-larva': {
    soft: 'M6 20q10 -9 26 -6l12 6l-12 6q-16 3 -26 -6Z',
    lines: rings([16, 24, 32], 20, 6),
    limbs: legs(32, 20, 10, 11) + 'M46 17q8 -6 10 2M46 23q8 6 10 -2',
    solid: oval(45, 20, 3),
  },
  'hoverfly-larva': {
    soft: 'M6 22q4 -10 24 -9q18 1 26 8q-10 7 -26 7q-20 0 -24 -6Z',
    lines: rings([16, 24, 32, 40], 21, 6),
  },
  mummy: {
    soft: oval(30, 20, 13, 12),
    lines: 'M20 12a5 5 0 1 0 6 -4',
    limbs: legs(32, 20, 9, 9),
    solid: oval(20, 14, 2.4),
  },
  'predatory-mite': { soft: oval(30, 20, 10, 7), limbs: legs(30, 20, 10, 12) + 'M38 15l10 -9M38 25l10 9' },
  'aphid-young': aphid(9),
  'aphid-adult': aphid(14),
  'aphid-winged': aphid(11, 'M30 14q-16 -14 -26 -6q8 8 24 8M30 26q-16 14 -26 6q8 -8 24 -8'),
  'aphid-root': {
    ...aphid(13),
    solid: ovals([
      [10, 10, 1.5],
      [8, 30, 1.5],
      [14, 34, 1.5],
      [16, 6, 1.5],
    ]),
  },
  'eggs-round': {
    soft: eggRow(
      [
        [18, 18],
        [28, 14],
        [38, 19],
        [24, 26],
        [34, 28],
      ],
      4,
      4,
    ),
  },
  'eggs-ring': {
    soft: [0, 1, 2, 3, 4, 5, 6, 7]
      .map((k) => oval(30 + 13 * Math.cos(k * 0.785), 20 + 11 * Math.sin(k * 0.785), 2.4, 3.4))
      .join(''),
  },
  'eggs-upright': {
    soft: eggRow(
      [
        [16, 20],
        [24, 17],
        [32, 20],
        [40, 17],
        [48, 20],
      ],
      3,
      8,
    ),
    lines: 'M8 30H56',
  },
  'eggs-vein': {
    soft: eggRow(
      [
        [26, 14],
        [33, 14],
        [22, 22],
        [30, 22],
        [38, 22],
      ],
      3,
      4,
    ),
    lines: 'M30 38V28M30 28L12 8M30 28L48 8',
  },
  'mite-young': { soft: oval(30, 20, 7, 6), limbs: legs(30, 20, 7, 8) },
  'mite-adult': {
    soft: oval(30, 20, 11, 9),
    limbs: legs(30, 20, 9, 12) + 'M38 14l9 -8M38 26l9 8',
    solid: ovals([
      [26, 16, 2.6],
      [26, 24, 2.6],
    ]),
  },
  'whitefly-scale': { soft: oval(30, 20, 13, 8), lines: 'M20 20H42M24 15v10M30 13v14M36 15v10' },
  'whitefly-adult': flier(
    'M34 18L8 6q-2 10 20 14ZM34 22L8 34q-2 -10 20 -14Z',
    oval(38, 20, 6, 3),
    feelers(43, 20, 7),
  ),
  'thrips-young': {
    soft: 'M8 20q12 -5 34 -4q8 4 0 8q-22 1 -34 -4Z',
    limbs: legs(32, 20, 9, 7) + feelers(43, 20, 6),
  },
  'thrips-pupa': {
    soft: 'M12 20q10 -7 30 -5q8 5 0 10q-20 2 -30 -5Z',
    lines: 'M24 16q-8 2 -12 4M24 24q-8 -2 -12 -4',
  },
  'thrips-adult': {
    soft: 'M6 20q12 -4 36 -4q8 4 0 8q-24 0 -36 -4Z',
    limbs:
      legs(34, 20, 9, 8) +
      feelers(45, 20, 7) +
      'M32 16L6 8M32 24L6 32M26 13l-2 -4M20 11l-2 -4M26 27l-2 4M20 29l-2 4',
  },
  'caterpillar-velvet': caterpillar([10, 18, 26, 34, 42], [22, 21, 20, 20, 20]),
  'caterpillar-looping': caterpillar([8, 14, 22, 30, 38, 44], [27, 18, 10, 10, 18, 27]),
  'pupa-girdled': { soft: 'M10 22q8 -12 26 -10l16 8l-16 6q-18 2 -26 -4Z', lines: 'M28 6L24 34M34 14l-4 12' },
  'pupa-cocoon': { soft: oval(30, 20, 16, 7), lines: 'M8 10q22 4 44 0M8 30q22 -4 44 0M12 6l6 28M48 6l-6 28' },
  'pupa-soil': { soft: oval(30, 22, 13, 7), lines: 'M4 8H56' + rings([24, 31, 38], 22, 6) },
  butterfly: flier(
    'M30 20Q12 -2 6 8Q4 18 30 20ZM30 20Q14 38 10 32Q8 24 30 20ZM30 20Q48 -2 54 8Q56 18 30 20ZM30 20Q46 38 50 32Q52 24 30 20Z',
    oval(30, 20, 1.8, 10) +
      ovals([
        [18, 12, 1.8],
        [42, 12, 1.8],
      ]),
    'M30 10q-3 -5 -6 -6M30 10q3 -5 6 -6',
  ),
  moth: flier(
    'M30 8L6 32L28 34ZM30 8L54 32L32 34Z',
    oval(30, 20, 3, 12),
    'M28 9q-4 -4 -9 -4M32 9q4 -4 9 -4M20 22l4 4M40 22l-4 4',
  ),
  'moth-clear': {
    lines: 'M30 12L6 26L26 24ZM30 12L54 26L34 24Z' + 'M28 8q-3 -4 -7 -4M32 8q3 -4 7 -4',
    solid: oval(30, 22, 4, 13),
  },
  'grub-thin': {
    soft: 'M6 22q12 -6 40 -4q6 3 0 6q-28 3 -40 -2Z',
    lines: rings([16, 24, 32, 40], 21, 3),
    solid: oval(48, 21, 3),
  },
  'grub-fat': {
    soft: 'M10 28q-4 -18 18 -18q22 0 22 16q-4 6 -10 0q-4 -8 -12 -7q-10 2 -8 10q-4 4 -10 -1Z',
    limbs: legs(40, 26, 5, 6),
    solid: oval(46, 27, 3.4),
  },
  'beetle-flea': {
    solid: oval(28, 20, 11, 8) + oval(42, 20, 4),
    limbs: legs(28, 20, 8, 8) + 'M22 26q-4 12 -12 8M22 14q-4 -12 -12 -8',
  },
  'beetle-striped': {
    soft: oval(27, 20, 15, 12),
    lines: 'M12 20H42M14 14H40M14 26H40M18 10H36M18 30H36',
    limbs: legs(28, 20, 9, 14),
    solid: oval(44, 20, 4, 7),
  },
  'bug-young': { soft: oval(28, 20, 9, 8), limbs: legs(30, 20, 10, 12) + feelers(37, 20, 12) },
  'bug-adult': {
    soft: 'M10 20q4 -11 20 -11l12 6v10l-12 6q-16 0 -20 -11Z',
    lines: 'M12 18L32 12L32 28L12 22',
    limbs: legs(30, 20, 10, 15) + feelers(43, 20, 12),
    solid: oval(44, 20, 3),
  },
  maggot: {
    soft: 'M8 20q14 -9 36 -6q8 6 0 12q-22 3 -36 -6Z',
    lines: rings([18, 25, 32, 39], 20, 5),
    solid: oval(9, 20, 2),
  },
  fly: flier(
    'M32 17L8 4q-4 10 22 14ZM32 23L8 36q-4 -10 22 -14Z',
    oval(32, 20, 9, 5) + oval(44, 20, 4),
    legs(34, 20, 7, 9),
  ),
  gnat: flier(
    'M32 18L10 6q0 8 20 12ZM32 22L10 34q0 -8 20 -12Z',
    oval(30, 20, 12, 2.2) + oval(43, 20, 3),
    legs(36, 20, 8, 13) + feelers(45, 20, 9),
  ),
  slug: {
    soft: 'M4 30q10 -16 30 -15q14 1 18 9q0 6 -6 6Z',
    lines: 'M48 18l4 -10M44 17l-1 -10M24 16q4 6 12 6',
    solid: ovals([
      [52, 7, 1.6],
      [43, 6, 1.6],
    ]),
  },
  mealybug: {
    soft: oval(30, 20, 15, 9),
    lines: rings([20, 26, 32, 38], 20, 8),
    limbs: [14, 20, 26, 32, 38, 44].map((x) => `M${x} 11l-1 -5M${x} 29l-1 5`).join(''),
  },
  'mealybug-young': { soft: oval(30, 20, 9, 6), limbs: legs(30, 20, 8, 7) + feelers(38, 20, 7) },
  'caterpillar-curled': {
    soft: ovals(
      [0, 1, 2, 3, 4, 5, 6].map((k) => [
        30 + 13 * Math.cos(0.5 + k * 0.8),
        21 + 12 * Math.sin(0.5 + k * 0.8),
        5,
        5,
      ]),
    ),
    solid: oval(30 + 13 * Math.cos(6.1), 21 + 12 * Math.sin(6.1), 3.2),
  },
  'caterpillar-horned': {
    soft: ovals([12, 20, 28, 36, 44].map((x) => [x, 23, 6, 7])),
    lines:
      [14, 22, 30, 38].map((x) => `M${x} 28l5 -9`).join('') +
      [12, 20, 28, 36, 44].map((x) => `M${x} 30v4`).join(''),
    limbs: 'M8 18q-4 -6 -2 -12',
    solid: oval(51, 23, 3.6),
  },
  'beetle-long': {
    soft: oval(26, 20, 15, 8),
    lines: 'M12 17H40M12 23H40M11 20H41',
    limbs: legs(28, 20, 9, 10) + feelers(44, 20, 11),
    solid: oval(43, 20, 4, 5),
  },
  'mite-wedge': {
    soft: 'M14 20q4 -8 22 -7q8 2 8 7q0 5 -8 7q-18 1 -22 -7Z',
    lines: rings([20, 24, 28, 32], 20, 4),
    limbs: 'M40 14l8 -6M44 17l8 -4M40 26l8 6M44 23l8 4',
  },
  earwig: {
    soft: 'M16 20q2 -6 16 -6l12 2v8l-12 2q-14 0 -16 -6Z',
    lines: rings([21, 25, 29, 33], 20, 4),
    limbs: legs(36, 20, 8, 9) + feelers(49, 20, 8) + 'M16 18Q6 10 3 18M16 22Q6 30 3 22',
    solid: oval(46, 20, 3.6),
  },
}

/** Bodies that are not as long as most. */
const spans: Record<string, number> = {
  'aphid-young': 18,
  'aphid-adult': 28,
  'aphid-winged': 22,
  'aphid-root': 26,
  // A length is that of one egg.
  'eggs-round': 8,
  'eggs-ring': 7,
  'eggs-upright': 16,
  'eggs-vein': 8,
  'mite-young': 14,
  'mite-adult': 22,
  'mite-wedge': 30,
  'whitefly-scale': 26,
  'whitefly-adult': 20,
  'caterpillar-velvet': 44,
  'caterpillar-looping': 46,
  'caterpillar-curled': 60,
  'caterpillar-horned': 52,
  'pupa-cocoon': 32,
  'pupa-soil': 26,
  butterfly: 48,
  moth: 48,
  'moth-clear': 26,
  'grub-thin': 46,
  'grub-fat': 40,
  'beetle-flea': 30,
  'beetle-striped': 34,
  'beetle-long': 34,
  'bug-young': 20,
  fly: 26,
  gnat: 28,
  slug: 50,
  'mealybug-young': 18,
  mealybug: 30,
  earwig: 34,
}
