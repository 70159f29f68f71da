import type { Finding } from '../checks'
import { isBeside, mapPhotos, type ModelDocument } from '../model'
import { plural } from '../words'

/** One thing to look at before a booklet is published. */
export interface ReadinessItem {
  readonly id: 'errors' | 'warnings' | 'proof' | 'names' | 'photos' | 'sections'
  readonly isDone: boolean
  /** In words: what is done, or what is not. */
  readonly words: string
}

/** What is known besides the model. */
interface ReadinessSources {
  readonly findings: readonly Finding[]
  /** Proof builds that were finished. */
  readonly proofs: number
}

/** What stands between a draft and builders who can follow it. Nothing of it keeps anybody from publishing. */
export function readinessOf(model: ModelDocument, { findings, proofs }: ReadinessSources): ReadinessItem[] {
  const count = (severity: Finding['severity']): number => findings.filter((finding) => finding.severity === severity).length
  const [errors, warnings] = [count('error'), count('warning')]
  const item = (id: ReadinessItem['id'], isDone: boolean, done: string, open: string): ReadinessItem => ({
    id,
    isDone,
    words: isDone ? done : open,
  })
  const lost = photosBeside(model)
  const unnamed = model.sections.filter(({ id, name }) => name.trim() === '' || name === id).length
  return [
    item('errors', errors === 0, 'No error stands.', `${plural(errors, 'error stands', 'errors stand')}: builders would get stuck.`),
    item('warnings', warnings === 0, 'No warning stands.', `${plural(warnings, 'warning stands', 'warnings stand')}.`),
    item(
      'proof',
      proofs > 0,
      `It was built ${proofs === 1 ? 'once' : `${proofs} times`} from these steps.`,
      'Nobody has built it from these steps yet.',
    ),
    item('names', (model.designer ?? '').trim() !== '', `Designed by ${model.designer ?? ''}.`, 'It does not say who designed it.'),
    item('sections', unnamed === 0, 'Every section has a name.', `${plural(unnamed, 'section has', 'sections have')} no name of its own.`),
    item('photos', lost === 0, 'Every photo is there.', `${plural(lost, 'photo is', 'photos are')} missing: the booklet would show a gap.`),
  ]
}

function photosBeside(model: ModelDocument): number {
  let count = 0
  mapPhotos(model, (photo) => {
    if (isBeside(photo)) count++
    return photo
  })
  return count
}
