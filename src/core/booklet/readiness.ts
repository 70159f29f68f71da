import type { Finding } from '../checks'
import type { Said } from '../language'
import { isBeside, mapPhotos, type ModelDocument } from '../model'

/** One thing to look at before a booklet is published. */
export interface ReadinessItem {
  readonly id: 'errors' | 'warnings' | 'proof' | 'names' | 'photos' | 'sections'
  readonly isDone: boolean
  /** What is done, or what is not. */
  readonly said: Said
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
  const item = (id: ReadinessItem['id'], isDone: boolean, done: Said, open: Said): ReadinessItem => ({
    id,
    isDone,
    said: isDone ? done : open,
  })
  const lost = photosBeside(model)
  const unnamed = model.sections.filter(({ id, name }) => name.trim() === '' || name === id).length
  const designer = (model.designer ?? '').trim()
  return [
    item('errors', errors === 0, { key: 'ready.noErrors' }, { key: 'ready.errors', n: errors }),
    item('warnings', warnings === 0, { key: 'ready.noWarnings' }, { key: 'ready.warnings', n: warnings }),
    item('proof', proofs > 0, { key: 'ready.built', n: proofs }, { key: 'ready.notBuilt' }),
    item('names', designer !== '', { key: 'ready.designed', about: { name: designer } }, { key: 'ready.nobody' }),
    item('sections', unnamed === 0, { key: 'ready.named' }, { key: 'ready.unnamed', n: unnamed }),
    item('photos', lost === 0, { key: 'ready.photos' }, { key: 'ready.photosMissing', n: lost }),
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
