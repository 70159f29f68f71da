import { shallowRef } from 'vue'
import type { PlacedPart } from '@core/model'
import { travelVector } from '@core/motion'
import type { TakenOff } from '@core/plan'
import { add, scale, type Vec } from '@core/space'
import type { BenchSection } from './use-section'

/** How far what comes off slides before it is gone, u, and how long that takes, ms. */
const SLIDE = 60
const SLIDE_MS = 320

/** What slides away when it comes off; where people want nothing to move it is gone at once. */
export function useSliding(on: BenchSection) {
  const sliding = shallowRef<readonly PlacedPart[]>([])
  const isStill = (): boolean => window.matchMedia('(prefers-reduced-motion: reduce)').matches
  function slide({ ids, travel }: TakenOff): void {
    const parts = ids.flatMap((id) => on.nodeById.value.get(id)?.parts ?? [])
    if (isStill()) return
    const begun = performance.now()
    const way = travelVector(travel)
    const step = (now: number): void => {
      const share = Math.min(1, (now - begun) / SLIDE_MS)
      sliding.value = share < 1 ? parts.map((part) => lifted(part, scale(way, SLIDE * share))) : []
      if (share < 1) requestAnimationFrame(step)
    }
    requestAnimationFrame(step)
  }

  return { sliding, slide }
}

const lifted = (part: PlacedPart, by: Vec): PlacedPart => ({ ...part, pose: { matrix: part.pose.matrix, at: add(part.pose.at, by) } })
