import { showsFinished, type Page } from '@core/booklet'
import type { WantedPicture } from '../workers/painter-client'

/** The pictures of pages, in their order; a page without one is passed over. */
export const picturesOf = (pages: readonly Page[]): WantedPicture[] =>
  pages.flatMap((page) =>
    'picture' in page && page.picture ? [{ picture: page.picture, content: showsFinished(page) ? 'finished' : 'step' }] : [],
  )
