/**
 * What a dot shows of a part, in sixteen bits: which of its surfaces, whether that surface is curved, and its tone. Two dots of a part
 * show the same where these are equal, so that most dots are compared by one number.
 */
export type FaceBits = number

const TONE_BITS = 2
const TONE_MASK = 3
const SURFACE_SHIFT = TONE_BITS + 1

/** Set in faces of surfaces that do not lie in one plane: only those may hide a part of themselves. */
export const CURVED = 1 << TONE_BITS

const SURFACES = 1 << (16 - SURFACE_SHIFT)

/** How many pictures a part may carry that are told apart. */
export const MOST_DECALS = 64

/** Surfaces from this number on are pictures on pieces. */
export const FIRST_DECAL = SURFACES - MOST_DECALS

/** The number of a surface in pictures: of a part with more surfaces than there are numbers, some far apart share one. */
export const surfaceNumber = (surface: number): number => surface % FIRST_DECAL

/** @param surface below 8192, @param tone below 4 */
export const faceBits = (surface: number, isCurved: boolean, tone: number): FaceBits =>
  (surface << SURFACE_SHIFT) | (isCurved ? CURVED : 0) | tone

export const surfaceOfFace = (face: FaceBits): number => face >> SURFACE_SHIFT

export const toneOfFace = (face: FaceBits): number => face & TONE_MASK

/** The same face in another tone. */
export const withTone = (face: FaceBits, tone: number): FaceBits => (face & ~TONE_MASK) | tone
