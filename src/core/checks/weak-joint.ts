import { HOLD, massOf } from '../catalogue'
import { findBridges } from '../joints'
import type { BuiltSection } from '../plan'
import type { Scene } from '../scene'
import type { Said } from '../language'
import { defineCheck, type Level } from './check'
import { gramsSaid, idsInOrder, lastStep, stepNumber } from './naming'
import { length, middle, MINUS_Z, subtract, type Vec } from '../space'

/** A group on so many studs is weak from this mass on, g, or when its middle lies this far from them, u. */
interface Bounds {
  readonly studs: number
  readonly heavy: number
  readonly far: number
}
const BOUNDS: Readonly<Record<Level, readonly Bounds[]>> = {
  home: [{ studs: 1, heavy: 4, far: 60 }],
  travel: [
    { studs: 1, heavy: 1.5, far: 30 },
    { studs: 2, heavy: 8, far: 80 },
  ],
}

/** A group that hangs on one joint. */
interface WeakGroup {
  readonly joint: number
  readonly nodes: readonly number[]
  readonly mass: number
}

/** Bridges of the joint graph. Of groups within groups the largest is named. */
export const weakJoint = defineCheck({
  code: 'weak-joint',
  severity: 'warning',
  about: 'A group of parts holds to the rest by one weak joint alone.',
  scope: 'rail',
  find: ({ built, level }) =>
    built.scene.tables.of(GROUPS[level], built).map(({ joint, nodes, mass }) => {
      const parts = idsInOrder(built, nodes)
      const { studs, hold: sort } = built.joints.list[joint]!
      const hold: Said =
        studs === 1 ? { key: `holdOne.${sort}` } : { key: 'find.inOnePlace', about: { held: { key: `hold.${sort}`, n: studs } } }
      const step = pressedIn(built, nodes)
      const about = { parts: { parts }, grams: gramsSaid(mass), hold }
      const said: Said = step === undefined ? { key: 'find.weakJoint', about } : { key: 'find.weakJointPressed', about: { ...about, step } }
      return { section: built.base, step: lastStep(built, nodes), parts, said }
    }),
})

/** The first step in which a builder presses on a group that hangs already: parts put on it in later steps than its first. */
function pressedIn(built: BuiltSection, nodes: readonly number[]): number | undefined {
  const steps = nodes.map((node) => stepNumber(built, node) ?? 0)
  const first = Math.min(...steps)
  const pressing = nodes.filter((node, i) => steps[i]! > first && built.arrives[node] === MINUS_Z)
  return pressing.length === 0 ? undefined : Math.min(...pressing.map((node) => stepNumber(built, node) ?? 0))
}

/** What hangs on what does not depend on steps: for each level a table. */
const GROUPS: Readonly<Record<Level, (built: BuiltSection) => readonly WeakGroup[]>> = {
  home: (built) => findWeakGroups(built, BOUNDS.home),
  travel: (built) => findWeakGroups(built, BOUNDS.travel),
}

function findWeakGroups(built: BuiltSection, levels: readonly Bounds[]): WeakGroup[] {
  const { scene, joints } = built
  const masses = nodeMasses(scene)
  const total = masses.reduce((a, b) => a + b, 0)
  const table = scene.nodeBoxes.reduce((least, { min }) => Math.min(least, min[2]), Infinity)
  const isStanding = (node: number): boolean => scene.nodeBoxes[node]!.min[2] <= table
  const allStanding = scene.nodes.filter((_, node) => isStanding(node)).length
  const groups = findBridges(joints, scene.nodes.length)
    .map(({ joint, beyond }) => {
      const mass = beyond.reduce((sum, node) => sum + masses[node]!, 0)
      const standing = beyond.filter(isStanding).length
      // What stands on the table does not hang; of two that do, or do not, the lighter is named.
      const hangs = standing > 0 === standing < allStanding ? mass * 2 <= total : standing === 0
      return hangs ? { joint, nodes: beyond, mass } : { joint, nodes: rest(scene, beyond), mass: total - mass }
    })
    .filter((group) => group.nodes.length > 1 && levels.some((bounds) => isWeak(built, group, bounds, masses)))
    .sort((a, b) => b.nodes.length - a.nodes.length || Math.min(...a.nodes) - Math.min(...b.nodes))
  const named = new Set<number>()
  return groups.filter(({ nodes }) => {
    if (nodes.every((node) => named.has(node))) return false
    for (const node of nodes) named.add(node)
    return true
  })
}

/** Mass of each node, g. */
export const nodeMasses = (scene: Scene): Float64Array => scene.tables.of(weigh, scene)

const weigh = ({ nodes }: Scene): Float64Array =>
  Float64Array.from(nodes, ({ parts }) => parts.reduce((sum, { shape }) => sum + massOf(shape), 0))

function rest(scene: Scene, beyond: readonly number[]): number[] {
  const inside = new Set(beyond)
  return scene.nodes.map((_, node) => node).filter((node) => !inside.has(node))
}

function isWeak(built: BuiltSection, group: WeakGroup, { studs, heavy, far }: Bounds, masses: Float64Array): boolean {
  const joint = built.joints.list[group.joint]!
  // Posts, as in a figure's waist, are made to hold alone.
  if (joint.studs > studs || joint.hold === HOLD.post) return false
  if (group.mass >= heavy) return true
  const { held } = built.joints
  const at = held.start[group.joint]! * 3
  const stud: Vec = [held.places[at]!, held.places[at + 1]!, held.places[at + 2]!]
  return length(subtract(middleOfMass(built.scene, group.nodes, masses), stud)) >= far
}

/** Centre of mass of nodes, u, each taken at the middle of its box. */
function middleOfMass(scene: Scene, nodes: readonly number[], masses: Float64Array): Vec {
  let sum = 0
  const at: [number, number, number] = [0, 0, 0]
  for (const node of nodes) {
    const place = middle(scene.nodeBoxes[node]!)
    sum += masses[node]!
    for (const i of [0, 1, 2] as const) at[i] += masses[node]! * place[i]
  }
  return sum === 0 ? at : [at[0] / sum, at[1] / sum, at[2] / sum]
}
