import { ENGLISH, type Words } from '../language'
import type { JointReach } from '../model'
import { MM_PER_U } from '../space'

/** How far a joint lets a thing move, in words: "turns 120° either way", "swings 50° any way", "slides 24 mm". */
export function reachWords(reach: JointReach | undefined, { say }: Words = ENGLISH): string {
  if (!reach) return ''
  const { turns, slide } = reach
  const words =
    turns.length > 1
      ? [say('reach.swings', { n: Math.round(Math.max(...turns.map(({ to, from }) => (to - from) / 2))) })]
      : turns.map((turn) => turnText(turn, say))
  const far = slide ? Math.round((slide.to - slide.from) * MM_PER_U) : 0
  return [...words, ...(far > 1 ? [say('reach.slides', { n: far })] : [])].join(', ')
}

function turnText({ from, to }: JointReach['turns'][number], say: Words['say']): string {
  if (to - from >= 360) return say('reach.round')
  const [one, other] = [Math.round(to), Math.round(-from)]
  return one === other ? say('reach.either', { n: one }) : say('reach.each', { one, other })
}
