import { massWords, sectionMasses } from '../count'
import { rangeWords, roughBuildTime } from '../durations'
import { Flattener, type Difficulty, type ModelDocument } from '../model'
import { memo } from '../memo'
import { MM_PER_U, posedBox, STUD_PITCH, type Vec } from '../space'
import type { BookletSource } from './pages'

/** Width along x, depth along y and height of the finished model, u, without studs that stand on top; undefined where nothing has a place. */
const sizeOfModel = memo((model: ModelDocument): Vec | undefined => {
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  for (const { shape, pose } of new Flattener(model).all(model.root)) {
    const { min, max } = posedBox(pose, { min: [0, 0, 0], max: shape.box })
    for (let axis = 0; axis < 3; axis++) {
      low[axis] = Math.min(low[axis]!, min[axis]!)
      high[axis] = Math.max(high[axis]!, max[axis]!)
    }
  }
  return low[0] === Infinity ? undefined : [high[0]! - low[0]!, high[1]! - low[1]!, high[2]! - low[2]!]
})

const centimetres = (length: number): string => ((length * MM_PER_U) / 10).toFixed(1)
const studs = (length: number): string => String(Math.ceil(length / STUD_PITCH - 1e-6))

/** What a builder asks before beginning: how large it is, what it weighs, how long it takes; a sentence each. */
export function coverFacts({ model, plan }: BookletSource): string[] {
  const size = sizeOfModel(model)
  if (!size) return []
  const [width, depth, height] = size
  const { people, difficulty } = model.booklet ?? {}
  const weighs = massWords(sectionMasses(model).get(model.root)!)
  return [
    `It is ${centimetres(width)} cm wide, ${centimetres(depth)} cm deep and ${centimetres(height)} cm high: ${studs(width)} × ${studs(depth)} studs.`,
    `It weighs ${weighs}.`,
    `Building it takes ${rangeWords(roughBuildTime(plan.sections))}.`,
    ...(people === undefined ? [] : [people === 1 ? 'For one person.' : `For ${people} people who build together.`]),
    ...(difficulty ? [DIFFICULTY_WORDS[difficulty]] : []),
  ]
}

const DIFFICULTY_WORDS: Readonly<Record<Difficulty, string>> = {
  first: 'Good for a first model.',
  some: 'For who has built a model or two.',
  much: 'For who has built many models.',
}
