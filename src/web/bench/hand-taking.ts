import { handBox, handOfNodes, handOfPiece, handOfSection, standOnTable, type Hand } from '@core/placing'
import type { Box, Vec } from '@core/space'
import { say, sayWithin } from '../language'
import { notify } from '../shared/notices'
import { attempt } from './attempt'
import { NOBODY, type HandState, type InHand } from './hand-state'
import type { BenchSection } from './use-section'

/** Takes pieces and sections into the hand, and what stands on the bench. */
export function createTaking(on: BenchSection, { held, stride, lastPut, landed }: HandState) {
  /** Where something new begins: on what is chosen, beside what was put down last, or on the middle of the table. */
  function beginAt(hand: Hand, chosen: Box | undefined): Vec {
    const { max } = handBox(hand)
    if (chosen) return landed(hand, [chosen.min[0], chosen.min[1], chosen.max[2]])
    if (lastPut.value) return landed(hand, lastPut.value.at)
    return landed(hand, standOnTable(hand, [max[0] / 2, max[1] / 2, 0]))
  }
  function take(hand: Hand, title: string, at: Vec, more: Partial<InHand> = {}): void {
    held.value = { kind: 'new', hand, at, title, ids: NOBODY, isAloft: false, isPut: false, left: Infinity, ...more }
    stride.value = null
  }
  function takePiece(piece: { shape: string; colour: string; count?: number }, chosen?: Box): void {
    const hand = attempt(() => handOfPiece(piece, on.catalogue.value))
    if (!hand) return
    const { shapes, colours } = on.catalogue.value
    const title = `${shapes.get(piece.shape)!.title}, ${sayWithin(colours.get(piece.colour)?.name ?? piece.colour)}`
    take(hand, title, beginAt(hand, chosen), { left: (piece.count ?? 1) > 1 ? piece.count! : Infinity })
  }
  function takeSection(id: string, chosen?: Box): void {
    const name = on.model.value?.sections.find((section) => section.id === id)?.name ?? id
    const hand = handOfSection(on.flattener.value!, id)
    if (handBox(hand).max[2] === 0) return notify(say('bench.holdsNoPartsYetPut', { name }))
    take(hand, name, beginAt(hand, chosen))
  }
  /** Takes up what is chosen, to be moved or put down again elsewhere. */
  function takeUp(ids: ReadonlySet<string>, kind: 'moved' | 'copied', title: string): void {
    const found = on.model.value && on.section.value && handOfNodes(on.model.value, on.section.value, ids, on.flattener.value!)
    if (!found) return notify(say('bench.whatHangsOnAJoint'))
    take(found.hand, title, found.at, { kind, ids, isAloft: true, isPut: kind === 'copied', left: kind === 'moved' ? 1 : Infinity })
    if (kind === 'copied') lastPut.value = { at: found.at, title }
  }
  function letGo(): void {
    held.value = null
  }

  return { takePiece, takeSection, takeUp, letGo }
}
