import type { Vec } from '../space'

export type Corner = [number, number, number]
export interface Brick {
  min: Corner
  max: Corner
  /** Stops bodies but not studs. */
  open: boolean
}
export interface Stud {
  foot: Corner
  axis: Vec
}
/** What travels as one: boxes, studs and sockets in the section's lattice. */
export interface Thing {
  id: string
  boxes: Brick[]
  studs: Stud[]
  sockets: Stud[]
  /** What of it stands in a free pose. */
  solids: Solid[]
  freeStuds: Stud[]
  freeSockets: Stud[]
}

/** A box in any attitude, by its corners; `axis` is set for a stud and says where it points. */
export interface Solid {
  corners: Vec[]
  open: boolean
  axis?: Vec
}
