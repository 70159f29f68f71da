import { BASE_CATALOGUE, catalogueIn, type Catalogue } from '@core/catalogue'
import { screenWords } from '../language'

/** A catalogue in the language of the screens; ours where none is named. Lines are read with it too: its ids stay English words. */
export const shownCatalogue = (catalogue: Catalogue = BASE_CATALOGUE): Catalogue => catalogueIn(catalogue, screenWords())
