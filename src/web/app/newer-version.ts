import { say } from '../language'
import { keepApplication } from '../offline/offline'
import { notify } from '../shared/notices'

/** Keeps the application for where there is no network; a newer version is told, and loaded when the person says so. */
export function watchVersions(): void {
  const load = async (take: () => void): Promise<void> => {
    // What was just typed goes along; the shelf needs none of this, so it is not in its way.
    const { useOpenModel } = await import('../stores/open-model')
    await useOpenModel().session?.settle()
    take()
  }
  addEventListener('load', () => {
    keepApplication((take) => {
      notify(say('app.thereIsANewerVersion'), {
        stays: true,
        act: { label: say('app.loadIt'), run: () => void load(take) },
      })
    }).catch(() => undefined)
  })
}
