/** What the next choice costs the reader, in studs of way. */
export interface SchedulingWeights {
  /** One plate higher or lower than where the work is, and a new layer at all, be it thick or thin. */
  readonly layer: number
  readonly newLayer: number
  /** One stud of way to a part of another likeness, and to one of the same. */
  readonly way: number
  readonly likeWay: number
  /** The same piece, turned the same, as the last part; as any part of the step. */
  readonly sameLikeness: number
  readonly inStepAlready: number
  /** The part opposite the last one, in a section that is the same on two sides: both are done at once. */
  readonly opposite: number
  /** Leaving a cluster before it is finished. */
  readonly leaveCluster: number
  /** One stud nearer to the reader's eye: what stands behind is built first, so that it shows; between clusters, and inside. */
  readonly nearerCluster: number
  readonly nearer: number
  /** Parts that a step holds at least before a new layer opens a new step. */
  readonly closeAtLayer: number
  /** Farther than this from the last part, in studs, a new step begins; like parts may be farther. */
  readonly stretch: number
  readonly likeStretch: number
  /** A finished section that could be joined now. */
  readonly jump: number
  /** What comes in from a side. */
  readonly sideways: number
  /** Each part that it holds to: a core holds to many. */
  readonly perJoint: number
  /** What lies loose on the table: for each part missing until it is held, and at most. */
  readonly looseForEach: number
  readonly looseMost: number
  /** A plate that lies snugly beside the work, as the next of a floor, costs this share of that. */
  readonly floorShare: number
  /** 1 begins with a part where one may lie on the table, though a finished section is larger: that one can lie aside until it is tied. */
  readonly beginsWithPart: number
}

/** Three strategies of builders: layer after layer; the spine first and the cladding last; every sub-assembly as soon as it fits. */
export type Strategy = 'ground-up' | 'core-out' | 'sections-first'
export const STRATEGIES: readonly Strategy[] = ['ground-up', 'core-out', 'sections-first']

const GROUND_UP: SchedulingWeights = {
  layer: 2.5,
  newLayer: 8,
  way: 0.6,
  likeWay: 0.3,
  sameLikeness: -5,
  inStepAlready: -2,
  opposite: -8,
  leaveCluster: 60,
  nearerCluster: 0.8,
  nearer: 0.08,
  closeAtLayer: 4,
  stretch: 14,
  likeStretch: 22,
  jump: 20,
  sideways: 0,
  perJoint: 0,
  looseForEach: 3.5,
  looseMost: 22,
  floorShare: 0.4,
  beginsWithPart: 0,
}

const CORE_OUT: SchedulingWeights = { ...GROUND_UP, layer: 1.6, newLayer: 5, sideways: 40, perJoint: -2.5 }
const SECTIONS_FIRST: SchedulingWeights = { ...GROUND_UP, jump: -60 }

/** Settings near each other: the search tries them all and keeps what measures best. */
const variantsOf = (weights: SchedulingWeights): readonly SchedulingWeights[] => [
  weights,
  { ...weights, way: 1, likeWay: 0.6 },
  { ...weights, layer: weights.layer * 0.6, newLayer: weights.newLayer * 0.6 },
]

export const STRATEGY_WEIGHTS: Readonly<Record<Strategy, readonly SchedulingWeights[]>> = {
  'ground-up': variantsOf(GROUND_UP),
  'core-out': variantsOf(CORE_OUT),
  'sections-first': variantsOf(SECTIONS_FIRST),
}

/** The same, but nothing is laid loose unless it is held at once: for what would else lie about too long. */
export const withCaution = (weights: SchedulingWeights): SchedulingWeights => ({
  ...weights,
  looseForEach: 7,
  looseMost: 30,
  floorShare: 1,
  closeAtLayer: 5,
})

/**
 * The same, begun with what is made of parts, and finished sections only where no part can come: a long chain of parts would lie
 * about for long, were it begun later or left for a section.
 */
export const withPartFirst = (weights: SchedulingWeights): SchedulingWeights => ({ ...weights, beginsWithPart: 1, jump: 1000 })

/** The same with larger steps that reach over layers: tried only where there are too many steps, since they hide more. */
export const withLargerSteps = (weights: SchedulingWeights): readonly SchedulingWeights[] => [
  { ...weights, closeAtLayer: 6 },
  { ...weights, closeAtLayer: 9, likeStretch: 30 },
]

/** What a search may change, and how far it may go: a step whose parts lie farther apart is hard to read. */
const MOST: Partial<Record<keyof SchedulingWeights, number>> = { stretch: 20, likeStretch: 34, closeAtLayer: 10 }
/** Share of the weights that change at a time, and by what factor at most, as a power of e. */
const CHANGED = 0.3
const FACTOR = 0.8

/** Weights like these with some of them changed by chance. */
export function weightsNear(weights: SchedulingWeights, random: () => number): SchedulingWeights {
  const near: { -readonly [key in keyof SchedulingWeights]: number } = { ...weights }
  for (const key of Object.keys(weights) as (keyof SchedulingWeights)[]) {
    if (random() >= CHANGED) continue
    const weight = weights[key] * Math.exp((2 * random() - 1) * FACTOR)
    near[key] = Math.min(MOST[key] ?? Infinity, weight)
  }
  return near
}
