import { packBags } from '../src/core/bags'
import { BASE_CATALOGUE } from '../src/core/catalogue'
import { cover, needOf, practiceKits, practiceOffers, purchase, type DeskPiece } from '../src/core/desk'
import type { ModelDocument } from '../src/core/model'
import { planModel } from '../src/core/plan'
import { loadSolver } from '../src/solver/highs-solver'
import { medianTime } from './measure'
import type { Note } from './stages'

/** A made-up day of the practice market. */
const DAY = { seed: 1, date: '2026-11-29' }
const SECONDS = 20

/** The parts desk: what is there of a need, what goes into which bag, the cheapest purchase of all that a model takes. */
export async function measureDesk(model: ModelDocument, note: Note): Promise<void> {
  const need = needOf(model)
  const half = need.map((piece): DeskPiece => ({
    ...piece,
    colour: piece.colour === 'any' ? 'ash' : piece.colour,
    count: piece.count >> 1,
  }))
  const kits = practiceKits(DAY.seed).map((kit) => ({ kit, count: 2 }))
  note(
    'what is there of all it takes',
    medianTime(5, () => cover(need, half, kits)),
  )
  const { plan } = planModel(model)
  note(
    'bags of 120 pieces',
    medianTime(1, () => packBags(model, plan, { pieces: 120, booklets: 1 })),
  )
  const solve = await loadSolver()
  const offers = practiceOffers(need, DAY, BASE_CATALOGUE)
  const missing = need.filter(({ colour }) => colour !== 'any')
  const start = performance.now()
  const found = purchase(missing, offers, practiceKits(DAY.seed), { solve, seconds: SECONDS })
  note('the cheapest purchase of all of it, five suppliers', performance.now() - start)
  note('what of that is not proven, %', found.total === 0 ? 0 : (100 * (found.total - found.lowerBound)) / found.total)
}
