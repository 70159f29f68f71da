import { pieceKey } from '../count'
import type { Scene } from '../scene'
import { turnOfMatrix, type Box } from '../space'
import type { StepLimits } from './types'

/** What the limits of a step look at: which piece, how it is turned, and its body box (u). */
export interface StepPart {
  readonly piece: string
  /** Piece and turn: like parts have the same. */
  readonly likeness: string
  readonly box: Box
}

/** How many parts a reader counts: like parts that make one row at one height count once (DESIGN.md, buildable, 5). */
function countedParts(parts: readonly StepPart[]): number {
  const byLikeness = new Map<string, Box[]>()
  for (const part of parts) {
    const key = `${part.likeness}@${part.box.min[2]}`
    const list = byLikeness.get(key)
    if (list) list.push(part.box)
    else byLikeness.set(key, [part.box])
  }
  let sum = 0
  for (const boxes of byLikeness.values()) sum += Math.min(rows(boxes, 0), rows(boxes, 1))
  return sum
}

/** How many rows along x (0) or y (1) hold all boxes: touching ones, or three and more evenly spaced. */
function rows(boxes: readonly Box[], along: 0 | 1): number {
  const across = along === 0 ? 1 : 0
  const lines = new Map<number, number[]>()
  for (const box of boxes) {
    const line = lines.get(box.min[across])
    if (line) line.push(box.min[along])
    else lines.set(box.min[across], [box.min[along]])
  }
  const size = boxes[0]!.max[along] - boxes[0]!.min[along]
  let count = 0
  for (const starts of lines.values()) {
    starts.sort((a, b) => a - b)
    count += rowsInLine(starts, size)
  }
  return count
}

function rowsInLine(starts: readonly number[], size: number): number {
  const gaps = starts.slice(1).map((start, i) => start - starts[i]!)
  if (gaps.length > 1 && gaps.every((gap) => gap === gaps[0])) return 1
  return 1 + gaps.filter((gap) => gap !== size).length
}

export function fitsLimits(parts: readonly StepPart[], limits: StepLimits): boolean {
  if (parts.length > limits.inAll) return false
  if (new Set(parts.map((part) => part.piece)).size > limits.kinds) return false
  return parts.length <= limits.parts || countedParts(parts) <= limits.parts
}

/** What a step sees of a node; copies of one section are one kind of piece. */
export function stepPart(scene: Scene, node: number): StepPart {
  const { kind, parts, source } = scene.nodes[node]!
  const box = scene.nodeBoxes[node]!
  const placed = parts[0]
  if (!placed || kind !== 'part') return { piece: source, likeness: source, box }
  const piece = `${placed.colour} ${pieceKey(placed.part)} ${placed.shape.id}`
  return { piece, likeness: `${piece} ${turnOfMatrix(placed.pose.matrix) ?? 'free'}`, box }
}
