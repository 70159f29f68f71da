import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { Bundle } from '@core/booklet'
import type { Publication } from '../storage/database'
import { useLibrary } from '../storage/open-library'
import { publishBooklet, publishVersion, withdrawBooklet, type AskedSettings } from '../published/server-client'

/** What was published from this browser, with the keys of its owner. */
export const usePublications = defineStore('publications', () => {
  const all = shallowRef<readonly Publication[]>([])
  const isLoaded = shallowRef(false)

  async function load(): Promise<void> {
    all.value = await (await useLibrary()).publications()
    isLoaded.value = true
  }

  /** The newest of a model that is not withdrawn. */
  const of = (model: string): Publication | undefined => all.value.find((each) => each.model === model && !each.isWithdrawn)
  const byId = (id: string): Publication | undefined => all.value.find((each) => each.id === id)

  async function keep(publication: Publication): Promise<void> {
    try {
      await (await useLibrary()).keepPublication(publication)
    } finally {
      // Shown once it is kept, so that who leaves at the sight of it loses nothing; and also where it cannot be
      // kept, since a key that is lost cannot be had again.
      all.value = [publication, ...all.value.filter(({ id }) => id !== publication.id)]
    }
  }

  /** @throws Fault what the server refuses */
  async function publish(
    model: string,
    bundle: Bundle,
    settings: AskedSettings,
    review: Pick<Publication, 'reviewKey'> = {},
  ): Promise<Publication> {
    const { id, ownerToken } = await publishBooklet(bundle, settings)
    const publication = { id, model, ownerToken, name: bundle.model.name, publishedAt: Date.now(), version: 1, ...review }
    await keep(publication)
    return publication
  }

  /** For those alone who have its link, which carries a password that nobody has to type. @throws Fault what the server refuses */
  function publishForReview(model: string, bundle: Bundle, settings: AskedSettings): Promise<Publication> {
    const reviewKey = crypto.randomUUID()
    return publish(model, bundle, { ...settings, password: reviewKey }, { reviewKey })
  }

  /** What reviewers have looked at is for everybody from now on, or for whoever knows another password. */
  async function endReview({ reviewKey: _gone, ...publication }: Publication): Promise<void> {
    await keep(publication)
  }

  /** @returns whether it differs from the version before @throws Fault what the server refuses */
  async function publishNext(publication: Publication, bundle: Bundle, whatChanged: string): Promise<boolean> {
    const { version } = await publishVersion(publication.id, publication.ownerToken, { bundle, whatChanged })
    await keep({ ...publication, name: bundle.model.name, publishedAt: Date.now(), version })
    return version !== publication.version
  }

  /** For good. @throws Fault what the server refuses */
  async function withdraw(publication: Publication): Promise<void> {
    await withdrawBooklet(publication.id, publication.ownerToken)
    await keep({ ...publication, isWithdrawn: true })
  }

  /** Those of a backup, beside those that are known. */
  async function restore(found: readonly Publication[]): Promise<void> {
    await load()
    for (const each of found) if (!byId(each.id)) await keep(each)
  }

  return { all, isLoaded, load, of, byId, publish, publishForReview, endReview, publishNext, withdraw, restore }
})

/** Where builders follow it; as long as reviewers look at it, with the key that lets them in. The end of an address goes to no server. */
export const linkTo = ({ id, reviewKey }: Pick<Publication, 'id' | 'reviewKey'>): string =>
  new URL(`/f/${id}${reviewKey === undefined ? '' : `#key=${reviewKey}`}`, location.href).href

/** Where a helper builds it with a clock. */
export const proofLinkTo = (publication: Pick<Publication, 'id' | 'reviewKey'>): string =>
  `${linkTo(publication)}${publication.reviewKey === undefined ? '#' : '&'}proof`
