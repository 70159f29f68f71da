import type { ConnectorKind } from '../catalogue'
import type { Vec } from '../space'

export type Corner = [number, number, number]
export interface Brick {
  min: Corner
  max: Corner
  /** Stops bodies but not studs. */
  open: boolean
  /** A ball, bar or peg: in a free pose only what is inside its round counts. */
  round?: boolean
}
export interface Stud {
  foot: Corner
  axis: Vec
}
/** What travels as one: boxes, studs and sockets in the section's lattice. */
export interface ReplayedThing {
  id: string
  boxes: Brick[]
  studs: Stud[]
  sockets: Stud[]
  /** What of it stands in a free pose. */
  solids: ReplayedSolid[]
  freeStuds: Stud[]
  freeSockets: Stud[]
  /** All that holds in another way than studs. */
  links: Link[]
  /** Plates and tiles that studs on both their flat sides may hold; none where the designer does not let that pass. */
  edges: Edge[]
}

/** A plate or tile by its box, and the way in which it is thin. */
interface Edge {
  box: Brick
  thin: Vec
}

/** A connector that is no stud and no socket, in place. */
export interface Link {
  kind: ConnectorKind
  at: Vec
  facing: Vec
  /** The axis it turns about. */
  along: Vec
  /** How far it runs along `facing`, u. */
  long: number
}

/** A box in any attitude, by its corners; `axis` is set for a stud and says where it points. */
export interface ReplayedSolid {
  corners: Vec[]
  open: boolean
  axis?: Vec
}
