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
}
