import type { Catalogue, Shape } from '../../catalogue'
import { formSymmetry } from '../../form'
import { exchangeForTwin, partPose, type Copy, type Part, type Section } from '../../model'
import {
  composePoses,
  composeTurns,
  inversePose,
  mirrorMatrix,
  multiply,
  nearestTurn,
  posedBox,
  subtract,
  TURNS,
  vecOf,
  type Matrix,
  type Pose,
  type Vec,
} from '../../space'

/** A section that holds the same, and where it stands in the frame of what was asked. */
interface AlikeSection {
  readonly section: string
  readonly pose: Pose
}

/** Content in its least writing, and the pose that brings the content there. */
interface Canonical {
  readonly text: string
  readonly pose: Pose
}

/** The 24 turns, then the same after a mirror across x. */
const ATTITUDES: readonly Matrix[] = [...TURNS, ...TURNS.map((turn) => multiply(turn, mirrorMatrix('x')))]

/** Finds sections of equal content: the same shapes and colours in the same relative places, turned, moved or mirrored. */
export class SectionLikeness {
  private readonly known = new Map<string, Section[]>()
  private readonly canonical = new WeakMap<Section, Canonical>()

  constructor(private readonly catalogue: Catalogue) {}

  note(section: Section): void {
    const key = this.multiset(section.parts ?? [], section.copies ?? [])
    const alike = this.known.get(key)
    if (alike) alike.push(section)
    else this.known.set(key, [section])
  }

  find(parts: readonly Part[], copies: readonly Copy[]): AlikeSection | undefined {
    // What holds copies is compared as it stands: turning them too would say the same of their own content twice.
    const candidates = this.known.get(this.multiset(parts, copies)) ?? []
    if (candidates.length === 0) return undefined
    const asked = this.canonicalOf(parts, copies)
    for (const section of candidates) {
      let found = this.canonical.get(section)
      if (!found) this.canonical.set(section, (found = this.canonicalOf(section.parts ?? [], section.copies ?? [])))
      if (found.text === asked.text) return { section: section.id, pose: composePoses(inversePose(asked.pose), found.pose) }
    }
    return undefined
  }

  /** Says the same of all that could be alike: pieces and their mirror images by one word. */
  private multiset(parts: readonly Part[], copies: readonly Copy[]): string {
    const word = ({ shape, colour }: Part): string => {
      const twin = this.catalogue.shapes.get(shape)!.mirror.twin ?? shape
      return `${shape < twin ? shape : twin} ${colour}`
    }
    return [...parts.map(word), ...copies.map(({ section }) => `copy ${section}`)].sort().join('|')
  }

  private canonicalOf(parts: readonly Part[], copies: readonly Copy[]): Canonical {
    const attitudes = copies.length > 0 ? ATTITUDES.slice(0, 1) : ATTITUDES
    const written = attitudes.flatMap((matrix) => this.written(parts, copies, matrix) ?? [])
    return written.reduce((one, other) => (other.text < one.text ? other : one))
  }

  /** @returns nothing where a piece has no mirror image */
  private written(parts: readonly Part[], copies: readonly Copy[], matrix: Matrix): Canonical | undefined {
    const turned: { readonly shape: Shape; readonly colour: string; readonly turn: number; readonly low: Vec }[] = []
    for (const part of parts) {
      const shape = this.catalogue.shapes.get(part.shape)!
      const pose = composePoses({ matrix, at: [0, 0, 0] }, partPose(part, shape))
      const exchanged = exchangeForTwin(shape, pose, this.catalogue)
      if (exchanged.lacksTwin) return undefined
      const { min } = posedBox(exchanged.pose, { min: [0, 0, 0], max: exchanged.shape.box })
      turned.push({ shape: exchanged.shape, colour: part.colour, turn: nearestTurn(exchanged.pose.matrix)!, low: min })
    }
    const places = [...turned.map(({ low }) => low), ...copies.map(({ at = [0, 0, 0] }) => at)]
    const low = vecOf((axis) => places.reduce((least, place) => Math.min(least, place[axis]), Infinity))
    const words = [
      ...turned.map((each) => `${each.shape.id} ${each.colour} ${leastTurn(each.shape, each.turn)} ${subtract(each.low, low).join()}`),
      ...copies.map(({ id: _, at = [0, 0, 0], ...rest }) => `${JSON.stringify(rest)} ${subtract(at, low).join()}`),
    ]
    return { text: words.sort().join('|'), pose: { matrix, at: vecOf((axis) => -low[axis]) } }
  }
}

/** Of the turns that look the same the first. */
const leastTurn = (shape: Shape, turn: number): number => Math.min(...formSymmetry(shape).map((alike) => composeTurns(turn, alike)))
