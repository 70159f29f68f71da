import { Flattener, type ModelDocument } from '@core/model'
import { composeTurns, isLatticePose, nearestTurn, posedBox, turnText } from '@core/space'
import { turnsAlike } from '@core/catalogue'

/** A model without sections: every part that lies in the lattice, in one heap. */
export function flattened(model: ModelDocument): ModelDocument {
  const placed = new Flattener(model).all(model.root).filter(({ pose }) => isLatticePose(pose))
  const parts = placed.map(({ shape, colour, pose }, i) => ({
    id: `p${i}`,
    shape: shape.id,
    colour,
    at: posedBox(pose, { min: [0, 0, 0], max: shape.box }).min,
    turn: turnText(nearestTurn(pose.matrix)!),
  }))
  const { shapes, palette, name } = model
  const own = { ...(shapes ? { shapes } : {}), ...(palette ? { palette } : {}) }
  return { format: 'jump-rail-model', version: 1, name, root: 'main', sections: [{ id: 'main', name: 'Main', parts }], ...own }
}

/** What stands where, in any order of sections; turns that look and hold the same are equal. */
export const standing = (model: ModelDocument): string[] =>
  new Flattener(model)
    .all(model.root)
    .map(({ shape, colour, pose }) => {
      const turn = nearestTurn(pose.matrix)!
      const least = Math.min(...turnsAlike(shape).map((alike) => composeTurns(turn, alike)))
      return `${shape.id} ${colour} ${posedBox(pose, { min: [0, 0, 0], max: shape.box }).min.join()} ${least}`
    })
    .sort()

/** Parts that must be told: those of all sections once, and every exception. */
export const toldParts = (model: ModelDocument): number =>
  model.sections.reduce(
    (sum, { parts = [], copies = [] }) => sum + parts.length + copies.reduce((all, { except = {} }) => all + Object.keys(except).length, 0),
    0,
  )
