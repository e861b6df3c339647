/** Leaf outlines and veins in a box of 100 by 120, tip up, stalk at the bottom. */
export interface LeafShape {
  outline: string
  veins: string
}

export const leafKinds = ['lobed', 'heart', 'feather', 'trifoliate', 'broad', 'strap', 'narrow'] as const
export type LeafKind = (typeof leafKinds)[number]

const shapes: Record<LeafKind, LeafShape> = {
  lobed: {
    outline:
      'M50 112C36 112 22 106 13 92C3 80 4 62 8 48C18 46 27 50 31 56C29 38 35 18 50 6' +
      'C65 18 71 38 69 56C73 50 82 46 92 48C96 62 97 80 87 92C78 106 64 112 50 112Z',
    veins: 'M50 118V14M50 96L20 62M50 96L80 62M50 72L36 46M50 72L64 46M50 104L24 94M50 104L76 94',
  },
  heart: {
    outline: 'M50 8C66 22 92 44 92 74C92 96 70 110 50 102C30 110 8 96 8 74C8 44 34 22 50 8Z',
    veins: 'M50 118V16M50 92L22 76M50 92L78 76M50 72L26 52M50 72L74 52M50 50L36 36M50 50L64 36',
  },
  feather: {
    outline:
      'M50 6C60 14 62 26 58 36C70 30 84 34 90 46C84 56 72 58 60 54C72 62 84 66 88 80C78 88 64 84 56 74C56 88 54 100 50 110' +
      'C46 100 44 88 44 74C36 84 22 88 12 80C16 66 28 62 40 54C28 58 16 56 10 46C16 34 30 30 42 36C38 26 40 14 50 6Z',
    veins: 'M50 118V14M50 52L82 46M50 52L18 46M50 74L78 78M50 74L22 78M50 34L56 22M50 34L44 22',
  },
  trifoliate: {
    outline:
      'M50 6C66 18 68 40 52 56C66 50 90 54 96 74C84 92 62 86 51 66L50 112L49 66C38 86 16 92 4 74C10 54 34 50 48 56C32 40 34 18 50 6Z',
    veins: 'M50 116V14M50 62L86 74M50 62L14 74M50 40L60 28M50 40L40 28',
  },
  broad: {
    outline: 'M50 6C74 14 92 40 88 70C85 94 68 108 50 110C32 108 15 94 12 70C8 40 26 14 50 6Z',
    veins: 'M50 118V12M50 92L22 72M50 92L78 72M50 70L18 48M50 70L82 48M50 48L28 28M50 48L72 28',
  },
  strap: {
    outline: 'M50 4C58 20 62 50 62 76C62 96 58 108 50 112C42 108 38 96 38 76C38 50 42 20 50 4Z',
    veins: 'M50 118V8M45 104C43 70 44 40 48 18M55 104C57 70 56 40 52 18',
  },
  narrow: {
    outline: 'M50 4C68 24 76 52 72 78C69 96 60 108 50 112C40 108 31 96 28 78C24 52 32 24 50 4Z',
    veins: 'M50 118V10M50 92L32 76M50 92L68 76M50 66L32 48M50 66L68 48M50 42L40 28M50 42L60 28',
  },
}

/** The shape of a crop's leaf; a plain broad leaf when the catalogue names one that is not drawn. */
export function leafShape(kind: string): LeafShape {
  return kind in shapes ? shapes[kind as LeafKind] : shapes.broad
}
