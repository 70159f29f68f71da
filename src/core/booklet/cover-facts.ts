import { massWords, sectionMasses } from '../count'
import { rangeWords, roughBuildTime } from '../durations'
import { Flattener, type ModelDocument } from '../model'
import { wordsIn } from '../language'
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

const studs = (length: number): string => String(Math.ceil(length / STUD_PITCH - 1e-6))

/** What a builder asks before beginning: how large it is, what it weighs, how long it takes; a sentence each. */
export function coverFacts({ model, plan, language }: BookletSource): string[] {
  const words = wordsIn(language)
  const { say, count, number } = words
  const centimetres = (length: number): string => number((length * MM_PER_U) / 10, 1)
  const size = sizeOfModel(model)
  if (!size) return []
  const [width, depth, height] = size
  const { people, difficulty } = model.booklet ?? {}
  return [
    say('cover.size', {
      width: centimetres(width),
      depth: centimetres(depth),
      height: centimetres(height),
      across: studs(width),
      along: studs(depth),
    }),
    say('cover.mass', { mass: massWords(sectionMasses(model).get(model.root)!, words) }),
    say('cover.duration', { range: rangeWords(roughBuildTime(plan.sections), words) }),
    ...(people === undefined ? [] : [count('cover.people', people)]),
    ...(difficulty ? [say(`cover.difficulty.${difficulty}`)] : []),
  ]
}
