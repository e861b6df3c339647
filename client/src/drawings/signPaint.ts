/** How a sign spreads over a leaf, for drawings of a known painted share. */
export interface SignPaint {
  kind: 'spots' | 'margin' | 'veins' | 'between' | 'tip' | 'base' | 'side' | 'patches' | 'lines'
  /** Usual radius of a spot, in units of the leaf's box of 100 by 120. */
  size?: number
  /** Length of a spot over its breadth. */
  stretch?: number
  square?: boolean
  /** From the outside in; share of the painted area that each covers. */
  layers: { share: number; fill: string }[]
}

const ink = '#2b1a33'
const brown = '#7a4a20'
const yellow = '#e8cf4a'
const pale = '#f4f2c8'
const white = '#ffffff'
const hole = 'var(--surface, #fff)'

const layers = (...fills: (string | [fill: string, share: number])[]) =>
  fills.map((f) => (typeof f === 'string' ? { share: 1, fill: f } : { share: f[1], fill: f[0] }))
const spots = (size: number, ...fills: (string | [string, number])[]): SignPaint => ({
  kind: 'spots',
  size,
  layers: layers(...fills),
})
const bodies = (size: number, fill: string): SignPaint => ({
  ...spots(size, ink, [fill, 0.72]),
  stretch: 1.6,
})
const over = (kind: SignPaint['kind'], ...fills: (string | [string, number])[]): SignPaint => ({
  kind,
  layers: layers(...fills),
})

/** By the catalogue's drawing names. */
export const signPaints: Record<string, SignPaint> = {
  'white-dust': spots(6, '#eef0ea', [white, 0.5]),
  'rubs-off': spots(7, '#eef0ea', [white, 0.4]),
  rings: spots(8, brown, ['#b98a52', 0.6], [brown, 0.3], ['#4d2c0e', 0.08]),
  halo: spots(7, yellow, [brown, 0.35]),
  angular: { ...spots(8, yellow, ['#d9bb2e', 0.5]), square: true },
  felt: { ...spots(8, '#8d86a0', ['#5c5470', 0.3]), square: true },
  'pale-dots': spots(1.6, pale),
  webbing: over('lines', '#f3f1f6'),
  mite: bodies(1.8, '#c98b3a'),
  aphid: bodies(2.8, '#9db552'),
  'aphid-black': bodies(2.8, '#3b2a44'),
  'aphid-green': bodies(2.8, '#c6d98a'),
  'aphid-mixed': bodies(2.4, yellow),
  'aphid-waxy': bodies(2.8, '#d5d3da'),
  whitefly: { ...spots(3, '#8b8496', [white, 0.75]), stretch: 1.3 },
  scales: { ...spots(2.6, '#8a8f5a', ['#eef0d4', 0.75]), stretch: 1.5 },
  silver: { ...spots(2.2, '#e6e9ee'), stretch: 5 },
  specks: { ...spots(2.2, '#e6e9ee', [ink, 0.12]), stretch: 4 },
  sticky: { ...spots(4, '#fff6c0', ['#fffbe0', 0.4]), stretch: 2.5 },
  sooty: over('patches', '#1d1420'),
  curled: over('margin', '#5d7a22'),
  tips: over('tip', '#3b2a44'),
  ant: bodies(3, '#5a3a2a'),
  holes: spots(8, '#3e5218', [hole, 0.85]),
  'shot-holes': spots(2.4, '#3e5218', [hole, 0.7]),
  frass: spots(2.4, '#2f3d12'),
  caterpillar: { ...spots(4, ink, ['#c9d96b', 0.8]), stretch: 4 },
  looper: { ...spots(4, ink, ['#b8cf7a', 0.8]), stretch: 5 },
  'eggs-yellow': { ...spots(2.2, '#8f7a10', ['#f0d64a', 0.75]), stretch: 1.6 },
  'eggs-orange': { ...spots(2.2, '#8f430b', ['#e0861f', 0.75]), stretch: 1.6 },
  'eggs-bronze': { ...spots(2.2, '#4d2c0e', ['#9a6a33', 0.75]), stretch: 1.6 },
  'beetle-striped': { ...spots(7, ink, ['#e5b53a', 0.85], [ink, 0.15]), stretch: 1.2 },
  'beetle-flea': bodies(3, ink),
  sawdust: over('base', '#e0b46a'),
  wilting: over('patches', '#a9a878'),
  tunnels: over('lines', '#f1efc4'),
  slime: over('lines', '#dfe7ef'),
  'roots-flecked': spots(3, '#b8b4c0', [white, 0.75]),
  'root-aphid': bodies(3, '#d7c9a0'),
  stunted: over('patches', '#b9bd7e'),
  gnat: bodies(2.4, ink),
  cotton: spots(5, '#c9c4d2', [white, 0.75]),
  bumps: spots(4.5, '#4d2c0e', ['#8a5a2b', 0.7]),
  'small-spots': spots(2.6, '#5a3a1a'),
  'dotted-spots': spots(4.4, '#4d2c0e', ['#d9d2bb', 0.7], [ink, 0.08]),
  'purple-rim': spots(4.4, '#7a2f63', ['#cfc9c0', 0.5]),
  greasy: spots(14, '#2f2b18', ['#463f22', 0.6]),
  'white-rim': spots(14, white, ['#2f2b18', 0.8]),
  rust: spots(2.8, '#8f430b', ['#d9701c', 0.7]),
  fur: spots(10, '#87839a', ['#a39fae', 0.6]),
  'water-soaked': spots(5, '#2c451a'),
  'stem-rot': over('base', '#4d2c0e'),
  mosaic: over('patches', '#c8d77c', ['#4d6620', 0.35]),
  'fallen-centres': spots(6, brown, [hole, 0.35]),
  'old-first': over('base', '#d2b23a'),
  'new-first': over('tip', '#d2b23a'),
  'along-veins': over('veins', '#e6ecd0'),
  'even-yellow': over('patches', '#e3cf4d'),
  'between-veins': over('between', yellow),
  margins: over('margin', '#8a5a2b'),
  bleached: over('side', '#f3ead2'),
  scorch: over('margin', '#8a5a2b', ['#5f3b19', 0.4]),
  threads: over('lines', '#e9e5f0'),
  skins: { ...spots(2.6, '#bdb7c6', ['#ffffff', 0.7]), stretch: 1.5 },
  mummy: spots(4, '#7a5a26', ['#d1ab6d', 0.75]),
  'ladybird-larva': { ...spots(6, ink, ['#e8892a', 0.1]), stretch: 2.2 },
  'stalked-eggs': spots(2.2, '#8a8f5a', [white, 0.7]),
  corky: spots(3.4, '#7c6a3e', ['#c8b78d', 0.7]),
  eaten: over('margin', '#3e5218', [hole, 0.9]),
  torn: over('side', '#3e5218', [hole, 0.9]),
  film: over('patches', '#d8cfb8'),
  lime: spots(4, white, ['#f6f6f2', 0.6]),
}

/** A sign's paint; plain brown spots for a drawing that has none, which the tests do not allow. */
export function signPaint(drawing: string): SignPaint {
  return signPaints[drawing] ?? spots(4, brown)
}
