/** Limits of the model file (DESIGN.md section 3); each has a refusal of its own. */
export const LIMITS = {
  fileBytes: 64 * 1024 * 1024,
  nameLength: 200,
  notesLength: 20_000,
  sections: 2_000,
  /** Notes of one step. */
  stepNotes: 50,
  /** Options, variants and what each of them lists. */
  options: 200,
  nesting: 16,
  flatParts: 200_000,
  /** Parts of all sections, each flattened: a section is planned by itself as well as in those that use it. */
  allParts: 1_000_000,
  coordinate: 100_000,
  /** Boxes and connectors of an own shape. */
  shapeBoxes: 200,
  shapeConnectors: 2_000,
  /** Cells of 10 × 10 u that the sides of all boxes of an own shape cover: what it costs to find what is in the way. */
  shapeCells: 40_000,
  /** Sides of an own shape, u. */
  shapeSide: 2_000,
  /** Photos of one step, and of the model. */
  photos: 50,
  photoMarks: 100,
  /** Letters of a photo's data address. */
  photoLength: 16 * 1024 * 1024,
  decals: 500,
  /** Letters of a picture's data address. */
  pictureLength: 4 * 1024 * 1024,
  /** mm: what fits on a sheet of paper. */
  decalSize: 180,
  /** Dots of all pictures together. */
  decalDots: 60_000_000,
} as const
