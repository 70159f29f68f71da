import { findJoints } from '../joints'
import { Flattener, type ModelDocument } from '../model'
import { SpaceLeft } from '../motion'
import { buildScene, sectionNodes } from '../scene'
import { peelExactly } from './exact-peel'
import { Peeler } from './peel'
import { peelWell } from './section-plan'

/** Ids of what the planner would make units of a section: what only goes in as one body. */
export function unitsOf(model: ModelDocument, sectionId: string): string[][] {
  const scene = buildScene(sectionNodes(model, new Flattener(model), sectionId))
  const removals = peelWell(new SpaceLeft(scene, findJoints(scene)), () => undefined)
  return removals.filter(({ nodes }) => nodes.length > 1).map(({ nodes }) => nodes.map((node) => scene.nodes[node]!.id))
}

/** Whether a section comes apart without force, and so can be built; quicker than its plan, which says in what order. */
export function canBeBuilt(model: ModelDocument, sectionId: string): boolean {
  const scene = buildScene(sectionNodes(model, new Flattener(model), sectionId))
  const joints = findJoints(scene)
  if (new Peeler(new SpaceLeft(scene, joints)).canAllLeave()) return true
  return peelExactly(new SpaceLeft(scene, joints)) !== undefined
}
