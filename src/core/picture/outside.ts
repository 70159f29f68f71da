import { NO_TURN, turnFromText, type Turn } from '../space'
import type { Scene } from '../scene'
import { Scout } from './scout'
import { stageOf } from './stage'
import { VIEWS } from './view'

/** The eight corner views, and the same of the model laid on its front and on its side: twenty-four directions. */
const LIES: readonly Turn[] = [NO_TURN, turnFromText('+x+z')!, turnFromText('+z+y')!]
/** Larger models are looked at from the eight corners alone. */
const MOST_PARTS = 6000

/** Which parts of a finished scene never show from outside: 1 for each that is not seen in any of many views. */
export function findNeverSeen(scene: Scene): Uint8Array {
  const hidden = new Uint8Array(scene.parts.length).fill(1)
  const order = scene.nodes.map((_, node) => node)
  const stage = stageOf(scene)
  for (const lie of scene.parts.length > MOST_PARTS ? [NO_TURN] : LIES) {
    for (const view of VIEWS) {
      for (const part of new Scout(stage, view, lie).partsThatShow(order)) hidden[part] = 0
    }
  }
  return hidden
}
