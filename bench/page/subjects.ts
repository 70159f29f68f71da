import type { ModelDocument } from '../../src/core/model'
import { town, townOfSections, withFlaws } from '../buildings'

export interface PageSubject {
  readonly name: string
  readonly make: () => ModelDocument
}

const FLAWS = 60

export const PAGE_SUBJECTS: readonly PageSubject[] = [
  { name: '250, one section', make: () => withFlaws(town(190), FLAWS) },
  { name: '1,700, one section', make: () => withFlaws(town(2000), FLAWS) },
  { name: '1,700, many sections', make: () => withFlaws(townOfSections(2000), FLAWS) },
  { name: '5,000, one section', make: () => withFlaws(town(5800), FLAWS) },
  { name: '20,000, one section', make: () => withFlaws(town(23_500), FLAWS) },
  { name: '20,000, many sections', make: () => withFlaws(townOfSections(23_500), FLAWS) },
]
