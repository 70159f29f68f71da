import type { JointReach } from '../model'
import { MM_PER_U } from '../space'

/** How far a joint lets a thing move, in words: "turns 120° either way", "swings 50° any way", "slides 24 mm". */
export function reachWords(reach: JointReach | undefined): string {
  if (!reach) return ''
  const { turns, slide } = reach
  const words =
    turns.length > 1 ? [`swings ${Math.round(Math.max(...turns.map(({ to, from }) => (to - from) / 2)))}° any way`] : turns.map(turnText)
  const far = slide ? Math.round((slide.to - slide.from) * MM_PER_U) : 0
  return [...words, ...(far > 1 ? [`slides ${far} mm`] : [])].join(', ')
}

function turnText({ from, to }: JointReach['turns'][number]): string {
  if (to - from >= 360) return 'turns all the way round'
  const [one, other] = [Math.round(to), Math.round(-from)]
  return one === other ? `turns ${one}° either way` : `turns ${one}° one way, ${other}° the other`
}
