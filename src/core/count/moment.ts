import { type Said, rounded } from '../language'
import { massOf, type Shape } from '../catalogue'
import { memo } from '../memo'
import {
  catalogueOf,
  copiesOf,
  Flattener,
  jointReach,
  sectionById,
  type Copy,
  type ModelDocument,
  type PlacedPart,
  type Section,
} from '../model'
import { add, dot, length, MM_PER_U, posed, scale, subtract, type Vec } from '../space'

/** How a section hangs on what it turns about: it balances where its weight lies on the axle. */
export interface Moment {
  readonly grams: number
  /** From the axle to where its weight lies, mm. */
  readonly arm: number
  /** g·mm: as much as it pulls at most, whichever way it is turned. */
  readonly moment: number
  /** How far it reaches from the axle on the other side of its weight, mm. */
  readonly opposite: number
}

/** Of each section that hangs on a joint with one axle, by id: where several copies do, of the one that pulls most. */
export const momentsOf = memo((model: ModelDocument): ReadonlyMap<string, Moment> => {
  const flattener = new Flattener(model)
  const moments = new Map<string, Moment>()
  for (const section of model.sections) {
    for (const copy of copiesOf(section)) {
      const moment = copy.joint ? momentOf(model, section, copy, flattener) : undefined
      if (moment && moment.moment >= (moments.get(copy.section)?.moment ?? 0)) moments.set(copy.section, moment)
    }
  }
  return moments
})

function momentOf(model: ModelDocument, section: Section, copy: Copy, flattener: Flattener): Moment | undefined {
  const reach = jointReach(model, section, copy, catalogueOf(model))
  const [turn, second] = reach?.turns ?? []
  if (!reach || !turn || second) return undefined
  const parts = flattener.copy(sectionById(model, section.id), copy)
  const grams = parts.reduce((sum, { shape }) => sum + massOf(shape), 0)
  if (grams === 0) return undefined
  const across = (at: Vec): Vec => {
    const from = subtract(at, reach.at)
    return subtract(from, scale(turn.axis, dot(from, turn.axis)))
  }
  const middle = parts.reduce<Vec>((sum, part) => add(sum, scale(middleOf(part), massOf(part.shape) / grams)), [0, 0, 0])
  const lies = across(middle)
  const arm = length(lies)
  const other = arm === 0 ? 0 : Math.max(0, ...parts.map((part) => -dot(across(middleOf(part)), lies) / arm))
  return { grams, arm: arm * MM_PER_U, moment: grams * arm * MM_PER_U, opposite: other * MM_PER_U }
}

const middleOf = ({ shape, pose }: PlacedPart): Vec => posed(pose, centreOf(shape))

/** The centre of a shape's bodies, each as heavy as it is large, u. */
const centreOf = memo(({ bodies }: Shape): Vec => {
  let [sum, all]: [Vec, number] = [[0, 0, 0], 0]
  for (const { min, max } of bodies) {
    const size = subtract(max, min)
    const volume = size[0] * size[1] * size[2]
    sum = add(sum, scale(add(min, max), volume / 2))
    all += volume
  }
  return all === 0 ? [0, 0, 0] : scale(sum, 1 / all)
})

/** "9.6 mm from its axle: 230 g·mm". */
export const momentSaid = ({ arm, moment }: Moment): Said =>
  arm < 0.05 ? { key: 'mass.balanced' } : { key: 'mass.arm', about: { arm: rounded(arm, 1), moment: Math.round(moment) } }
