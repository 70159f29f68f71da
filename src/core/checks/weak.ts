import { HOLD, HOLD_WORDS, massOf } from '../catalogue'
import { findBridges } from '../joints'
import type { BuiltSection } from '../plan'
import type { Finding } from './finding'
import type { Scene } from '../scene'
import { length, middle, MINUS_Z, subtract, type Vec } from '../space'
import { finding } from './finding'
import { grams, idsOf, nameParts, stepNumber } from './place'

/** What a model must stand: being looked at, or a box in a car. */
export type Level = 'home' | 'travel'

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

/** Groups that hold to the rest by one weak joint alone: bridges of the joint graph. Of groups within groups the largest is named. */
export function weakJoints(built: BuiltSection, level: Level): Finding[] {
  // What hangs on what does not depend on steps, so it is found once for a scene.
  let groups = known[level].get(built.scene.geometry)
  if (!groups) known[level].set(built.scene.geometry, (groups = findWeakGroups(built, BOUNDS[level])))
  return groups.map(({ joint, nodes, mass }) => {
    const ids = idsOf(
      built,
      [...nodes].sort((a, b) => a - b),
    )
    const { studs, hold: sort } = built.joints.list[joint]!
    const steps = nodes.map((node) => stepNumber(built, node) ?? 0)
    const [one, many] = HOLD_WORDS[sort]!
    const hold = studs === 1 ? `one ${one}` : `${studs} ${many} in one place`
    const pressed = pressedIn(built, nodes)
    const message = `${nameParts(ids)}, ${grams(mass)} in all, hold to the rest by ${hold} only.${pressed} Add a part that ties them at a second place.`
    return finding('weak-joint', { section: built.base, step: Math.max(...steps) || null, parts: ids }, message)
  })
}

/** Where a builder presses on a group that hangs already: parts put on it in later steps than its first. */
function pressedIn(built: BuiltSection, nodes: readonly number[]): string {
  const steps = nodes.map((node) => stepNumber(built, node) ?? 0)
  const first = Math.min(...steps)
  const pressing = nodes.filter((node, i) => steps[i]! > first && built.arrives[node] === MINUS_Z)
  if (pressing.length === 0) return ''
  const step = Math.min(...pressing.map((node) => stepNumber(built, node) ?? 0))
  return ` Step ${step} presses on them while they hang so: hold them from below.`
}

const known: Readonly<Record<Level, WeakMap<object, readonly WeakGroup[]>>> = { home: new WeakMap(), travel: new WeakMap() }

function findWeakGroups(built: BuiltSection, levels: readonly Bounds[]): WeakGroup[] {
  const { scene, joints } = built
  const masses = nodeMasses(scene)
  const total = masses.reduce((a, b) => a + b, 0)
  const groups = findBridges(joints, scene.nodes.length)
    .map(({ joint, beyond }) => {
      const mass = beyond.reduce((sum, node) => sum + masses[node]!, 0)
      return mass * 2 <= total ? { joint, nodes: beyond, mass } : { joint, nodes: rest(scene, beyond), mass: total - mass }
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

const massTables = new WeakMap<object, Float64Array>()

/** Mass of each node, g. */
export function nodeMasses(scene: Scene): Float64Array {
  let masses = massTables.get(scene.geometry)
  if (!masses) {
    masses = Float64Array.from(scene.nodes, ({ parts }) => parts.reduce((sum, { shape }) => sum + massOf(shape), 0))
    massTables.set(scene.geometry, masses)
  }
  return masses
}

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
