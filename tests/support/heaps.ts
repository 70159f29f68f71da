import fc from 'fast-check'
import { BASE_CATALOGUE, type ConnectorKind } from '@core/catalogue'
import type { ModelDocument, Part } from '@core/model'
import { apply, DIRECTION_VECTORS, turnText, TURNS, type Vec } from '@core/space'
import { oneSection, part } from './models'
import { Geometry, jointAxes, linkWays, overlaps, type ReplayedThing } from '@core/replay'

const SHAPES = [
  'plate-1x1',
  'plate-1x2',
  'plate-2x2',
  'plate-corner-2x2',
  'brick-1x1',
  'brick-1x2',
  'tile-1x2',
  'brick-1x1-side1',
  'brick-1x1-side4',
  'bracket-1x2-1x2-up',
  'bracket-1x2-1x2-down',
  'slope-inv-2x1',
  'jumper-1x2',
  'wedge-plate-2x3-left',
] as const

const thingOf = (candidate: Part): ReplayedThing => new Geometry(oneSection([candidate])).part('main', candidate.id)!

/**
 * Connected models without overlaps: each part takes hold of one that is there, by a stud or a socket chosen by the numbers;
 * what would overlap is left out. Hostile on purpose: parts hang, stand sideways and lock each other.
 */
export const connectedHeap = (most: number): fc.Arbitrary<ModelDocument> =>
  fc.array(fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000), fc.nat(1000)), { minLength: 2, maxLength: most }).map((choices) => {
    const parts: Part[] = [part('p0', 'plate-2x2', [0, 0, 0])]
    const things: ReplayedThing[] = [thingOf(parts[0]!)]
    choices.forEach(([shapeChoice, holdChoice, turnChoice, targetChoice], i) => {
      const shape = BASE_CATALOGUE.shapes.get(SHAPES[shapeChoice % SHAPES.length]!)!
      const targets = things.flatMap((t) => [
        ...t.studs.map((s) => ({ ...s, kind: 'socket' })),
        ...t.sockets.map((s) => ({ ...s, kind: 'stud' })),
      ])
      const target = targets[targetChoice % targets.length]!
      const holds = shape.connectors.filter((c) => c.kind === target.kind)
      const hold = holds[holdChoice % Math.max(1, holds.length)]
      if (!hold) return
      const fitting = TURNS.map((matrix, turn) => ({ matrix, turn })).filter(({ matrix }) =>
        apply(matrix, DIRECTION_VECTORS[hold.facing]!).every((value, k) => value === -target.axis[k]!),
      )
      const { turn } = fitting[turnChoice % fitting.length]!
      const loose = thingOf(part(`p${i + 1}`, shape.id, [0, 0, 0], turnText(turn)))
      const list = hold.kind === 'stud' ? loose.studs : loose.sockets
      const mine = list[shape.connectors.filter((c) => c.kind === hold.kind).indexOf(hold)]!
      const at = target.foot.map((value, k) => value - mine.foot[k]!) as unknown as Vec
      const candidate = part(`p${i + 1}`, shape.id, at, turnText(turn))
      const thing = thingOf(candidate)
      if (things.some((other) => overlaps(thing, other))) return
      parts.push(candidate)
      things.push(thing)
    })
    return oneSection(parts)
  })

const MOVING = [
  'plate-1x1-clip',
  'plate-1x1-clip-top',
  'plate-1x2-bar',
  'bar-3',
  'hinge-plate-1x2-fork',
  'hinge-plate-1x2-tongue',
  'plate-1x2-ball',
  'plate-1x2-cup',
  'brick-1x1-hole',
  'brick-1x2-hole',
  'beam-3',
  'pin',
  'pin-half',
  'axle-3',
  'bush',
  'gear-8',
  'wheel-small',
  'figure-legs',
  'figure-torso',
  'figure-hand',
  'figure-head',
  'plate-2x2',
  'brick-1x2',
  'brick-1x1-side1',
  'window-1x2-tall2',
  'arch-1x3',
  'slope-2x2',
  'curve-2x1',
  'tube',
] as const

const COUNTERPARTS: Partial<Record<ConnectorKind, readonly ConnectorKind[]>> = {
  bar: ['clip'],
  clip: ['bar'],
  pin: ['hole'],
  axle: ['hole', 'cross'],
  hose: ['hole'],
  hole: ['pin', 'axle', 'hose'],
  cross: ['axle'],
  ball: ['cup'],
  cup: ['ball'],
  tongue: ['fork'],
  fork: ['tongue'],
  post: ['ring'],
  ring: ['post'],
}

/** The same with everything that moves: clips on bars, pegs and axles in holes, hinges, balls, posts, as well as studs. */
export const movingHeap = (most: number): fc.Arbitrary<ModelDocument> =>
  fc.array(fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000), fc.nat(1000)), { minLength: 2, maxLength: most }).map((choices) => {
    const parts: Part[] = [part('p0', 'brick-1x2-hole', [0, 0, 0])]
    const things: ReplayedThing[] = [thingOf(parts[0]!)]
    choices.forEach(([shapeChoice, holdChoice, turnChoice, targetChoice], i) => {
      const found = attach(MOVING[shapeChoice % MOVING.length]!, `p${i + 1}`, things, holdChoice, turnChoice, targetChoice)
      if (!found || things.some((other) => overlaps(found.thing, other))) return
      parts.push(found.part)
      things.push(found.thing)
    })
    return oneSection(parts)
  })

/** A part that takes hold of one that is there; undefined where the numbers lead nowhere. */
function attach(
  shape: string,
  id: string,
  things: readonly ReplayedThing[],
  holdChoice: number,
  turnChoice: number,
  targetChoice: number,
): { part: Part; thing: ReplayedThing } | undefined {
  const target = things[targetChoice % things.length]!
  for (let k = 0; k < TURNS.length; k++) {
    const turn = turnText((turnChoice + k) % TURNS.length)
    const loose = thingOf(part(id, shape, [0, 0, 0], turn))
    const shifts: Vec[] = []
    for (const mine of loose.links) {
      for (const theirs of target.links) {
        if (!(COUNTERPARTS[mine.kind] ?? []).includes(theirs.kind)) continue
        const long = mine.long > 0 ? mine : theirs
        const slide = long.long === 0 ? 0 : (holdChoice % (long.long / 5 + 1)) * 5 * (mine.long > 0 ? -1 : 1)
        shifts.push(theirs.at.map((value, axis) => value - mine.at[axis]! + slide * long.facing[axis]!) as unknown as Vec)
      }
    }
    for (const stud of target.studs)
      for (const socket of loose.sockets) shifts.push(stud.foot.map((v, axis) => v - socket.foot[axis]!) as unknown as Vec)
    for (const socket of target.sockets)
      for (const stud of loose.studs) shifts.push(socket.foot.map((v, axis) => v - stud.foot[axis]!) as unknown as Vec)
    for (let n = 0; n < Math.min(6, shifts.length); n++) {
      const at = shifts[(holdChoice + n) % shifts.length]!
      if (!at.every(Number.isInteger)) continue
      const candidate = part(id, shape, at, turn)
      const thing = thingOf(candidate)
      if (linkWays(thing, target).length > 0 || jointAxes(thing, target).size > 0) return { part: candidate, thing }
    }
  }
  return undefined
}
