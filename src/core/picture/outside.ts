import { NO_TURN, turnFromText, type Turn } from '../space'
import type { Scene } from '../scene'
import { VisibilityMeter } from './visibility-meter'
import { pictureSceneOf } from './picture-scene'
import { VIEWS, type ViewNumber } from './view'

/** The eight corner views, and the same of the model laid on its front and on its side: twenty-four directions. */
const LIES: readonly Turn[] = [NO_TURN, turnFromText('+x+z')!, turnFromText('+z+y')!]
/** Larger models are looked at from the four corners above and one below alone. */
const MOST_PARTS = 6000
const FEW_VIEWS: readonly ViewNumber[] = [0, 1, 2, 3, 4]

/** Which parts of a finished scene never show from outside: 1 for each that is not seen in any of many views. */
export function findNeverSeen(scene: Scene): Uint8Array {
  const hidden = new Uint8Array(scene.parts.length).fill(1)
  const order = scene.nodes.map((_, node) => node)
  const stage = pictureSceneOf(scene)
  const isLarge = scene.parts.length > MOST_PARTS
  for (const orientation of isLarge ? [NO_TURN] : LIES) {
    for (const view of isLarge ? FEW_VIEWS : VIEWS) {
      for (const part of new VisibilityMeter(stage, view, orientation).partsThatShow(order)) hidden[part] = 0
    }
  }
  return hidden
}
