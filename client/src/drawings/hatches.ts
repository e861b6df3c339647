/** Tint under each hatch; dark marks stand on all of them in both themes. */
export const hatchTints: Record<string, string> = {
  fall: '#8fbfae',
  rise: '#b3bd80',
  dots: '#9fb9dd',
  upright: '#d3a7cf',
  level: '#e0cb8d',
  cross: '#cfd3d8',
  waves: '#e9ddc9',
  speckle: '#e8dc6a',
  grid: '#b8cfa0',
  zigzag: '#d9b79a',
  dashes: '#d8d2bf',
  rings: '#e2a79b',
  plus: '#a9cbd6',
  ticks: '#c3b08f',
  bricks: '#bdb3d6',
}
