import type { Page } from '@playwright/test'

/** Long tasks of the main thread and delays of input since the last `reset`, ms. */
export interface Load {
  readonly longest: number
  readonly delay: number
}

interface Probe {
  tasks: number[]
  delays: number[]
  drawn(): boolean
  smooth(): boolean
  version(): string
}

declare global {
  interface Window {
    probe: Probe
  }
}

/** Put into every page before anything of ours runs. */
export async function install(page: Page): Promise<void> {
  // What turns our TypeScript into JavaScript names functions by a helper that the page does not have.
  await page.addInitScript({ content: 'window.__name = (made) => made' })
  await page.addInitScript(() => {
    const probe = {
      tasks: [] as number[],
      delays: [] as number[],
      /** The chosen picture is on the screen, as it should be now. */
      drawn: () => document.querySelector('canvas[data-drawn]')?.getAttribute('data-drawn') === 'true',
      /** And it has no rough edges any more. */
      smooth: () => document.querySelector('canvas[data-drawn]')?.getAttribute('data-sharp') !== 'false' && probe.drawn(),
      version: () => document.querySelector('[data-version]')?.getAttribute('data-version') ?? '',
    }
    window.probe = probe
    new PerformanceObserver((list) => probe.tasks.push(...list.getEntries().map((entry) => entry.duration))).observe({
      type: 'longtask',
      buffered: true,
    })
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as PerformanceEventTiming[]) probe.delays.push(entry.processingStart - entry.startTime)
    }).observe({ type: 'event', buffered: true, durationThreshold: 16 } as PerformanceObserverInit)
  })
}

/** What the main thread bore since the last time it was asked. */
export const takeLoad = (page: Page): Promise<Load> =>
  page.evaluate(async () => {
    // Entries come a moment later.
    await new Promise((resolve) => setTimeout(resolve, 120))
    const { probe } = window
    const load = { longest: Math.max(0, ...probe.tasks), delay: Math.max(0, ...probe.delays) }
    probe.tasks.length = 0
    probe.delays.length = 0
    return load
  })

/**
 * Presses a key and waits for what it brings about, all inside the page.
 * @param until 'version' a new version and its picture; 'smooth' the same, without rough edges; 'picture' a picture of the same version; 'put' a new version
 * @returns ms from the key press to the picture
 */
export const press = (
  page: Page,
  key: string,
  until: 'version' | 'smooth' | 'picture' | 'put',
  more: { readonly ctrlKey?: boolean } = {},
): Promise<number> =>
  page.evaluate(
    async ({ key, until, more }) => {
      const { probe } = window
      const before = probe.version()
      const place = document.querySelector('[aria-current="step"]')?.getAttribute('aria-label')
      const start = performance.now()
      const code = /^[a-z]$/.test(key) ? `Key${key.toUpperCase()}` : key
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, code, bubbles: true, cancelable: true, ...more }))
      const isThere = (): boolean => {
        if (until === 'put') return probe.version() !== before
        if (until === 'smooth') return probe.version() !== before && probe.smooth()
        if (until === 'version') return probe.version() !== before && probe.drawn()
        return document.querySelector('[aria-current="step"]')?.getAttribute('aria-label') !== place && probe.drawn()
      }
      while (!isThere()) {
        if (performance.now() - start > 60_000) throw new Error(`nothing came of ${key}`)
        // Often enough to be exact, and seldom enough not to take a core from the workers.
        await new Promise((resolve) => setTimeout(resolve, 2))
      }
      return performance.now() - start
    },
    { key, until, more },
  )
