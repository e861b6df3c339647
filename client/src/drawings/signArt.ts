/** What a sign looks like on a leaf: marks in the leaf's box of 100 by 120. */
export interface Mark {
  d: string
  fill?: string
  stroke?: string
  width?: number
}

type Point = [x: number, y: number]

/** Spread over the leaf, none on the midrib; the same in every drawing, so that pictures compare. */
const spread: Point[] = [
  [36, 40],
  [62, 34],
  [30, 66],
  [70, 62],
  [42, 84],
  [60, 90],
  [24, 82],
  [78, 80],
  [40, 60],
  [62, 74],
  [56, 50],
  [38, 98],
  [66, 100],
  [46, 28],
  [74, 50],
  [26, 54],
]

const disc = ([x, y]: Point, r: number, ry = r) =>
  `M${x - r} ${y}a${r} ${ry} 0 1 0 ${2 * r} 0a${r} ${ry} 0 1 0 ${-2 * r} 0Z`
const discs = (n: number, r: number, style: Omit<Mark, 'd'>, from = 0): Mark => ({
  d: spread
    .slice(from, from + n)
    .map((p, i) => disc(p, r * (1 + 0.25 * ((i % 3) - 1))))
    .join(''),
  ...style,
})
const at = (points: Point[], glyph: (p: Point) => string, style: Omit<Mark, 'd'>): Mark => ({
  d: points.map(glyph).join(''),
  ...style,
})
const some = (n: number, from = 0) => spread.slice(from, from + n)

const ink = 'var(--drawing-ink, #2b1a33)'
const brown = '#7a4a20'
const yellow = '#e8cf4a'
const white = '#ffffff'
const legs = ([x, y]: Point, r: number) =>
  `M${x - r} ${y - r / 2}l${-r * 0.7} ${-r * 0.6}M${x + r} ${y - r / 2}l${r * 0.7} ${-r * 0.6}` +
  `M${x - r} ${y + r / 2}l${-r * 0.7} ${r * 0.6}M${x + r} ${y + r / 2}l${r * 0.7} ${r * 0.6}`

const insects = (n: number, r: number, fill: string): Mark[] => [
  at(some(n), (p) => legs(p, r), { stroke: ink, width: 1.1 }),
  at(some(n), (p) => disc(p, r, r * 1.25), { fill, stroke: ink, width: 0.8 }),
]
const caterpillar = (points: Point[], fill: string): Mark[] => [
  at(points, (p) => disc(p, 6), { fill, stroke: ink, width: 1 }),
]
const eggs = (fill: string): Mark[] => [
  at(
    [
      [58, 60],
      [64, 62],
      [60, 67],
      [66, 69],
      [62, 74],
      [68, 76],
    ],
    (p) => disc(p, 2.2, 3.4),
    { fill, stroke: ink, width: 0.7 },
  ),
]
const tips: Mark = { d: 'M50 6C58 12 62 20 62 28H38C38 20 42 12 50 6Z', fill: '#2b1a33aa' }

/** Each drawing of the catalogue. */
export const signArt: Record<string, Mark[]> = {
  'white-dust': [discs(9, 6, { fill: '#ffffffd9' }), discs(9, 3, { fill: white })],
  'rubs-off': [
    discs(5, 7, { fill: '#ffffffd9' }),
    { d: 'M26 78C40 66 62 66 78 74', stroke: '#5d7a22', width: 9 },
    { d: 'M74 66l10 8l-11 7', stroke: ink, width: 2 },
  ],
  rings: [
    discs(4, 9, { fill: brown }),
    discs(4, 5.5, { fill: '#b98a52', stroke: '#4d2c0e', width: 1 }),
    discs(4, 2, { fill: '#4d2c0e' }),
  ],
  halo: [discs(6, 8, { fill: yellow }), discs(6, 3.8, { fill: brown })],
  angular: [
    {
      d: 'M52 70L74 55L70 72L56 80ZM48 60L28 46L30 62L46 74ZM52 48L64 36L66 48L54 56Z',
      fill: yellow,
      stroke: '#8f7a10',
      width: 1,
    },
  ],
  felt: [
    { d: 'M52 70L74 55L70 72L56 80ZM48 60L28 46L30 62L46 74Z', fill: '#8d86a0' },
    discs(16, 1.4, { fill: '#5c5470' }),
  ],
  'pale-dots': [
    at(
      spread.flatMap(([x, y]): Point[] => [
        [x, y],
        [x + 5, y + 4],
        [x - 4, y + 6],
      ]),
      (p) => disc(p, 1.5),
      { fill: '#f4f2c8' },
    ),
  ],
  webbing: [
    {
      d: 'M10 40L90 60M16 70L86 34M20 90L82 82M30 24L70 108M12 60L60 110M40 20L90 76',
      stroke: '#ffffffd0',
      width: 1,
    },
  ],
  mite: insects(7, 2.2, '#c98b3a'),
  aphid: insects(10, 3.2, '#9db552'),
  'aphid-black': insects(10, 3.2, '#2b1a33'),
  'aphid-green': insects(7, 3.2, '#c6d98a'),
  'aphid-mixed': [
    ...insects(6, 2.4, '#3b3450'),
    ...[at(some(5, 8), (p) => disc(p, 2.2, 2.8), { fill: yellow, stroke: ink, width: 0.7 })],
  ],
  'aphid-waxy': insects(10, 3.4, '#d5d3da'),
  whitefly: [at(some(7), ([x, y]) => `M${x} ${y}l-6 5l6 2l6 -2Z`, { fill: white, stroke: ink, width: 0.8 })],
  scales: [at(some(9), (p) => disc(p, 2.6, 3.8), { fill: '#eef0d4', stroke: '#8a8f5a', width: 0.8 })],
  silver: [
    {
      d: 'M30 44l12 10M62 36l8 14M28 68l14 8M66 64l-8 14M40 88l12 6M66 92l8 -10',
      stroke: '#e6e9ee',
      width: 4,
    },
  ],
  specks: [{ d: 'M30 44l12 10M62 36l8 14', stroke: '#e6e9ee', width: 4 }, discs(14, 1.5, { fill: ink })],
  sticky: [
    { d: 'M28 46q12 -6 22 2M54 66q12 -6 20 2M30 82q12 -6 22 2', stroke: '#fff6c0', width: 5 },
    at(
      [
        [40, 58],
        [66, 46],
        [60, 92],
      ],
      (p) => disc(p, 3.5),
      { fill: '#fffbe0' },
    ),
  ],
  sooty: [{ d: 'M26 44C40 34 60 36 74 52C78 70 66 92 50 96C34 92 24 66 26 44Z', fill: '#1d1420a8' }],
  curled: [{ d: 'M16 40C30 44 30 88 20 96M84 40C70 44 70 88 80 96', stroke: '#3e5218', width: 5 }],
  tips: [
    tips,
    at(
      [
        [44, 22],
        [54, 18],
        [50, 30],
        [58, 28],
      ],
      (p) => disc(p, 2.6),
      { fill: ink },
    ),
  ],
  ant: [
    at(
      [
        [50, 84],
        [50, 40],
      ],
      ([x, y]) => legs([x, y], 5),
      { stroke: ink, width: 1.4 },
    ),
    at(
      [
        [50, 90],
        [50, 84],
        [50, 77],
        [50, 46],
        [50, 40],
        [50, 33],
      ],
      (p) => disc(p, 3),
      { fill: ink },
    ),
  ],
  // As many as leave some on each leaflet of a leaf that is cut up.
  holes: [
    at(some(8), ([x, y]) => `M${x - 7} ${y - 1}q4 -9 11 -3q8 6 -1 10q-8 4 -10 -7Z`, {
      fill: 'var(--surface, #fff)',
      stroke: '#3e5218',
      width: 1,
    }),
  ],
  'shot-holes': [discs(16, 2.4, { fill: 'var(--surface, #fff)', stroke: '#3e5218', width: 0.8 })],
  frass: [
    discs(9, 2.4, { fill: '#2f3d12' }),
    { d: 'M60 62q10 -6 14 6q-4 12 -14 6Z', fill: 'var(--surface, #fff)' },
  ],
  caterpillar: caterpillar(
    [
      [34, 72],
      [42, 70],
      [50, 69],
      [58, 68],
      [66, 66],
    ],
    '#c9d96b',
  ),
  looper: caterpillar(
    [
      [32, 78],
      [40, 72],
      [46, 60],
      [52, 52],
      [58, 60],
      [64, 72],
      [72, 78],
    ],
    '#c9d96b',
  ),
  'eggs-yellow': eggs('#f0d64a'),
  'eggs-orange': eggs('#e0861f'),
  'eggs-bronze': eggs('#9a6a33'),
  'beetle-striped': [
    { d: disc([52, 64], 13, 16), fill: '#e5b53a', stroke: ink, width: 1.4 },
    { d: 'M46 52V76M52 49V80M58 52V76', stroke: ink, width: 2.4 },
    { d: disc([52, 46], 6, 4), fill: '#b5541f' },
  ],
  'beetle-flea': [
    at(some(5), (p) => disc(p, 3, 4.2), { fill: ink }),
    { d: 'M62 34q10 -16 18 -2', stroke: ink, width: 1 },
  ],
  sawdust: [
    { d: disc([50, 92], 5), fill: ink },
    at(
      [
        [42, 104],
        [48, 108],
        [56, 106],
        [62, 108],
        [38, 110],
        [54, 112],
      ],
      (p) => disc(p, 2.4),
      { fill: '#e0b46a' },
    ),
  ],
  wilting: [{ d: 'M50 20C30 30 20 70 26 104M50 20C70 30 80 70 74 104', stroke: '#8a8f5a', width: 5 }],
  tunnels: [
    { d: 'M30 40q10 4 6 12t10 10t-4 14t14 8t2 12', stroke: '#f1efc4', width: 5 },
    { d: 'M66 40q8 8 2 14t8 12', stroke: '#f1efc4', width: 4 },
  ],
  // Along the middle, where each leaf has a blade.
  slime: [{ d: 'M44 114q14 -14 4 -30t6 -28t-8 -34', stroke: '#dfe7ef', width: 6 }],
  'roots-flecked': [
    { d: 'M50 30V70M50 60L30 100M50 60L70 100M50 66V112M40 80L24 88M60 80L78 90', stroke: brown, width: 3 },
    at(
      [
        [36, 90],
        [50, 88],
        [64, 90],
        [44, 76],
        [58, 76],
        [30, 98],
      ],
      (p) => disc(p, 3),
      { fill: white, stroke: '#b8b4c0', width: 0.8 },
    ),
  ],
  'root-aphid': [
    { d: 'M50 30V70M50 60L30 100M50 60L70 100M50 66V112', stroke: brown, width: 3 },
    at(
      [
        [38, 86],
        [50, 92],
        [62, 86],
        [46, 74],
        [56, 78],
      ],
      (p) => disc(p, 3, 3.8),
      { fill: '#d7c9a0', stroke: ink, width: 0.8 },
    ),
  ],
  stunted: [
    { d: 'M50 112V84M50 92L40 84M50 92L60 84', stroke: '#3e5218', width: 4 },
    { d: 'M82 112V30M82 70L70 58M82 70L94 58', stroke: '#3e5218', width: 3 },
  ],
  gnat: [
    at(some(5), ([x, y]) => `M${x - 5} ${y - 4}L${x} ${y}L${x + 5} ${y - 4}M${x} ${y}v6`, {
      stroke: ink,
      width: 1.6,
    }),
  ],
  cotton: [discs(5, 5.5, { fill: white, stroke: '#c9c4d2', width: 1 })],
  bumps: [
    at(
      [
        [50, 30],
        [50, 50],
        [50, 72],
        [50, 92],
      ],
      (p) => disc(p, 5, 4),
      { fill: '#8a5a2b', stroke: '#4d2c0e', width: 1 },
    ),
  ],
  'small-spots': [discs(14, 2.8, { fill: '#5a3a1a' })],
  'dotted-spots': [
    discs(9, 4.6, { fill: '#d9d2bb', stroke: '#4d2c0e', width: 1.2 }),
    discs(9, 1.2, { fill: ink }),
  ],
  'purple-rim': [discs(9, 4.6, { fill: '#cfc9c0', stroke: '#7a2f63', width: 2 })],
  greasy: [
    { d: 'M14 60q14 -10 22 4q-2 22 -18 20q-10 -8 -4 -24ZM62 30q18 0 20 18q-12 14 -22 2Z', fill: '#2f2b18c0' },
  ],
  'white-rim': [
    { d: 'M14 60q14 -10 22 4q-2 22 -18 20q-10 -8 -4 -24Z', fill: '#2f2b18c0', stroke: white, width: 3 },
  ],
  rust: [discs(14, 3, { fill: '#d9701c', stroke: '#8f430b', width: 0.8 })],
  fur: [
    { d: 'M40 60q10 -14 24 -4q10 16 -6 26q-22 2 -18 -22Z', fill: '#a39fae' },
    {
      d: 'M42 56l-4 -6M50 50l0 -7M60 52l4 -6M66 62l7 -2M64 76l6 4M46 80l-4 5',
      stroke: '#a39fae',
      width: 1.6,
    },
  ],
  'water-soaked': [discs(8, 5, { fill: '#2c451ac0' })],
  'stem-rot': [
    { d: 'M50 60V116', stroke: '#7d9a3a', width: 9 },
    { d: 'M50 94V110', stroke: '#4d2c0e', width: 5 },
  ],
  mosaic: [discs(8, 9, { fill: '#c8d77c' }), discs(5, 6, { fill: '#4d6620' }, 8)],
  'fallen-centres': [discs(6, 6.5, { fill: brown }), discs(6, 3.4, { fill: 'var(--surface, #fff)' })],
  'old-first': [
    { d: 'M50 116V16', stroke: '#3e5218', width: 3 },
    {
      d: 'M50 100C30 104 18 96 14 84C30 82 44 88 50 100ZM50 92C70 96 82 88 86 76C70 74 56 80 50 92Z',
      fill: '#d2b23a',
    },
    {
      d: 'M50 56C34 58 24 50 20 40C34 38 46 44 50 56ZM50 48C66 50 76 42 80 32C66 30 54 36 50 48Z',
      fill: '#7d9a3a',
    },
  ],
  'new-first': [
    { d: 'M50 116V16', stroke: '#3e5218', width: 3 },
    {
      d: 'M50 100C30 104 18 96 14 84C30 82 44 88 50 100ZM50 92C70 96 82 88 86 76C70 74 56 80 50 92Z',
      fill: '#7d9a3a',
    },
    {
      d: 'M50 56C34 58 24 50 20 40C34 38 46 44 50 56ZM50 48C66 50 76 42 80 32C66 30 54 36 50 48Z',
      fill: '#d2b23a',
    },
  ],
  'along-veins': [
    { d: 'M50 112V14M50 96L22 64M50 96L78 64M50 72L36 46M50 72L64 46', stroke: '#e6ecd0', width: 6 },
  ],
  'even-yellow': [{ d: 'M20 30H80V108H20Z', fill: '#e3cf4dd0' }],
  'between-veins': [
    {
      d: 'M46 86L24 66L30 54L46 66ZM54 86L76 66L70 54L54 66ZM46 58L36 42L46 32ZM54 58L64 42L54 32Z',
      fill: yellow,
    },
  ],
  margins: [{ d: 'M14 50C8 74 22 104 50 108C78 104 92 74 86 50', stroke: '#8a5a2b', width: 8 }],
  bleached: [{ d: 'M52 16C76 28 90 56 80 92C66 84 54 60 52 16Z', fill: '#f3ead2' }],
  scorch: [
    { d: 'M14 50C8 74 22 104 50 108', stroke: '#8a5a2b', width: 7 },
    at(
      [
        [64, 44],
        [70, 70],
        [58, 90],
      ],
      (p) => disc(p, 5),
      { fill: '#8a5a2b' },
    ),
  ],
  threads: [{ d: 'M6 30L92 52M20 110L88 18', stroke: '#b9b3c4', width: 1.2 }],
  skins: [at(some(8), (p) => disc(p, 2.6, 4), { fill: '#ffffffb0', stroke: '#bdb7c6', width: 0.9 })],
  mummy: [at(some(7), (p) => disc(p, 4.4), { fill: '#d1ab6d', stroke: '#7a5a26', width: 1 })],
  'ladybird-larva': [
    { d: disc([50, 62], 7, 16), fill: '#3a3346', stroke: ink, width: 1 },
    { d: 'M43 52l-8 -4M57 52l8 -4M43 62h-9M57 62h9M43 72l-8 5M57 72l8 5', stroke: ink, width: 1.8 },
    at(
      [
        [46, 58],
        [54, 58],
        [46, 68],
        [54, 68],
      ],
      (p) => disc(p, 1.8),
      { fill: '#e8892a' },
    ),
  ],
  'stalked-eggs': [
    { d: 'M36 70V50M44 74V52M52 72V48M60 74V54', stroke: ink, width: 0.9 },
    at(
      [
        [36, 48],
        [44, 50],
        [52, 46],
        [60, 52],
      ],
      (p) => disc(p, 2.4, 3.2),
      { fill: white, stroke: '#8a8f5a', width: 0.8 },
    ),
  ],
  corky: [discs(9, 3.6, { fill: '#c8b78d', stroke: '#7c6a3e', width: 1 })],
  eaten: [
    at(
      [
        [88, 44],
        [84, 62],
        [14, 50],
        [18, 70],
        [24, 88],
      ],
      (p) => disc(p, 9, 10),
      { fill: 'var(--surface, #fff)', stroke: '#3e5218', width: 0.8 },
    ),
  ],
  torn: [{ d: 'M92 40L70 50L88 58L66 68L86 78Z', fill: 'var(--surface, #fff)', stroke: '#3e5218', width: 1 }],
  film: [{ d: 'M10 20H90V112H10Z', fill: '#d8cfb8a0' }],
  lime: [at(some(8), ([x, y]) => `M${x - 5} ${y}a5 5 0 1 1 5 5`, { stroke: white, width: 2 })],
}
