import type { Connector, Shape } from '../catalogue'
import { viewMatrix, type StepLook } from '../picture'
import type { BuiltSection } from '../plan'
import { memo } from '../memo'
import { sectionById, type PlacedPart } from '../model'
import { apply, axisOf, dot, DIRECTION_VECTORS, multiply, TURNS, type Matrix } from '../space'
import type { Scene } from '../scene'
import { defineCheck, type Found } from './check'
import { idsOf, lastStep } from './naming'
import { isNoted } from './noted'
import { findOddTurns } from './odd-turns'
import { writeNote } from './ways'

/** How far a side may be turned away from the viewer and still show. */
const AWAY = 0.15

/** Pieces that a picture cannot tell the way of, and what stands differently on the two sides of a section. */
export const turnTrap = defineCheck({
  code: 'turn-trap',
  severity: 'warning',
  about: 'A part is easy to put in the wrong way round: the picture does not tell, or it stands otherwise than all that is like it.',
  scope: 'rail',
  find({ model, built, looks }) {
    // Where the designer has said something in the step, the picture need not say it too.
    const section = sectionById(model, built.base)
    return [...blindSides(built, looks), ...oddTurns(built)].filter(({ step }) => !isNoted(section, step))
  },
  waysOut: (trouble) => writeNote(trouble, 'note.wayRound'),
})

/** Side studs that point away from the viewer, on pieces that look the same from the back: the picture cannot tell how they go. */
function blindSides(built: BuiltSection, looks: readonly StepLook[]): Found[] {
  const suspects = built.scene.tables.of(findSuspects, built.scene)
  return built.steps.flatMap((step, i) => {
    if (suspects.size === 0 || !step.some((node) => suspects.has(node))) return []
    const toViewer = multiply(viewMatrix(looks[i]?.view ?? 0), TURNS[built.orientations[i] ?? 0]!)
    const traps = step.filter((node) => suspects.has(node) && isBlind(built.scene.nodes[node]!.parts[0]!, toViewer))
    if (traps.length === 0) return []
    const parts = idsOf(built, traps)
    return [{ step: i + 1, parts, said: { key: 'find.turnBlind', n: parts.length, about: { parts: { parts } } } }]
  })
}

/** Parts with studs on the sides of a plain body. */
const findSuspects = ({ nodes }: Scene): ReadonlySet<number> =>
  new Set(nodes.flatMap(({ kind, parts }, node) => (kind === 'part' && sideStuds(parts[0]!.shape).length > 0 ? [node] : [])))

function isBlind({ shape, pose }: PlacedPart, toViewer: Matrix): boolean {
  return sideStuds(shape).every(({ facing }) => dot(apply(multiply(toViewer, pose.matrix), DIRECTION_VECTORS[facing]!), [0, 0, 1]) > AWAY)
}

/** The studs on the sides of a plain box: without them it would be the same from all sides. None where the body tells. */
const sideStuds = memo((shape: Shape): readonly Connector[] =>
  shape.bodies.length === 1 ? shape.connectors.filter((connector) => connector.kind === 'stud' && axisOf(connector.facing) !== 2) : [],
)

const oddTurns = (built: BuiltSection): Found[] =>
  built.scene.tables.of(findOddTurns, built.scene).map(({ kind, axis, nodes }) => {
    const parts = idsOf(built, nodes)
    const key = kind === 'row' ? 'find.turnOdd' : axis === 0 ? 'find.turnLeftRight' : 'find.turnFrontBack'
    return { step: lastStep(built, nodes), parts, said: { key, about: { parts: { parts } } } }
  })
