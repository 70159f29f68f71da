import { computed, onUnmounted, ref } from 'vue'
import type { Bundle } from '@core/booklet'
import { bundleOf, type Snapshot } from '../session/snapshot'
import { useOpenModel } from '../stores/open-model'
import { VersionsClient } from '../workers/versions-client'

/** The booklet of the snapshot that is shown with all versions in it: those beside it are planned when first asked for, and kept as long as it stands. */
export function useWholeBundle() {
  const open = useOpenModel()
  const planner = new VersionsClient()
  onUnmounted(() => planner.close())
  const progress = ref<number | null>(null)
  let kept: { readonly snapshot: Snapshot; readonly bundle: Bundle } | undefined

  /** @throws Fault, `stopped` */
  async function whole(): Promise<Bundle> {
    // What was just chosen or typed is in it.
    await open.session?.settle()
    const snapshot = open.snapshot!
    if (kept?.snapshot === snapshot) return kept.bundle
    let bundle = bundleOf(snapshot)
    if (snapshot.source.versions) {
      progress.value = 0
      try {
        bundle = { ...bundle, ...(await planner.plan(snapshot.state, (fraction) => (progress.value = fraction))) }
      } finally {
        progress.value = null
      }
    }
    const cover = await open.source?.painter.cover().catch(() => undefined)
    if (cover !== undefined) bundle = { ...bundle, cover }
    kept = { snapshot, bundle }
    return bundle
  }

  return { whole, progress: computed(() => progress.value), stop: (): void => planner.stop() }
}
