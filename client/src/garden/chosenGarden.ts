/** Where the device keeps which garden was opened last. */
export const chosenGardenKey = 'mauvaise-garden'

/** The garden to open: the one that was opened last, or the first. */
export const gardenToOpen = <G extends { id: string }>(gardens: readonly G[], chosen: string | null) =>
  gardens.find((g) => g.id === chosen) ?? gardens[0]
