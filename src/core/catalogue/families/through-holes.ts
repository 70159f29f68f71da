import { boxAt, MINUS_Y, PLUS_Y, type Box, type Vec } from '../../space'
import type { Connector } from '../types'

/** Pegs, axles and the holes they go through are 6 u across; a hole's place is the middle of its 10 u. */
export const X: Vec = [1, 0, 0]
export const Y: Vec = [0, 1, 0]
export const HOLE = 6
export const BEAM = 10

export const bore = (x: number, z: number): Box => boxAt([x - 3, 0, z - 3], [HOLE, BEAM, HOLE])
/** Runs along y through the middle, and takes a stud at either mouth. */
export const roundHole = (x: number, z: number): Connector[] => [
  { kind: 'hole', at: [x, 5, z], facing: MINUS_Y },
  { kind: 'mouth', at: [x, 0, z], facing: MINUS_Y },
  { kind: 'mouth', at: [x, BEAM, z], facing: PLUS_Y },
]
export const crossHole = (x: number, z: number): Connector[] => [{ kind: 'cross', at: [x, 5, z], facing: MINUS_Y }]
