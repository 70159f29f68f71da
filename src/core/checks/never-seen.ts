import type { ModelDocument, Part } from '../model'
import { partsOf } from '../model'
import { findNeverSeen } from '../picture'
import type { BuiltSection } from '../plan'
import type { Finding } from './finding'
import type { Scene } from '../scene'
import { finding } from './finding'
import { nameParts } from './place'

/**
 * Parts whose colour is asked for although nobody will ever see it: in no copy do they show from outside the finished model.
 * One note for each section; those whose colour is free already are left out.
 */
export function neverSeen(model: ModelDocument, root: BuiltSection): Finding[] {
  const hidden = hiddenParts(root.scene)
  return model.sections.flatMap((section) => {
    const ids = idsOfHidden(partsOf(section), hidden)
    if (ids.length === 0) return []
    const message = `${nameParts(ids)} never show${ids.length === 1 ? 's' : ''} from outside the finished model: any colour will do. Mark the colour as free, so that builders may take what they have.`
    return [finding('never-seen', { section: section.id, step: null, parts: ids }, message)]
  })
}

const lists = new WeakMap<readonly Part[], { hidden: ReadonlySet<Part>; ids: string[] }>()

/** Lists of parts are never changed in place, so each is searched once for what is hidden. */
function idsOfHidden(parts: readonly Part[], hidden: ReadonlySet<Part>): string[] {
  const known = lists.get(parts)
  if (known?.hidden === hidden) return known.ids
  const ids = parts.filter((part) => part.showsColour !== false && hidden.has(part)).map((part) => part.id)
  lists.set(parts, { hidden, ids })
  return ids
}

/** What shows does not depend on steps, so it is found once for a geometry; of which parts of the document that is, for a scene. */
const shows = new WeakMap<object, Uint8Array>()
const known = new WeakMap<Scene, ReadonlySet<Part>>()

/** Parts of the document none of whose copies shows. */
function hiddenParts(scene: Scene): ReadonlySet<Part> {
  let hidden = known.get(scene)
  if (!hidden) {
    const isHidden = shows.get(scene.geometry) ?? findNeverSeen(scene)
    shows.set(scene.geometry, isHidden)
    const seen = new Set(scene.parts.filter((_, i) => isHidden[i] === 0).map(({ part }) => part))
    known.set(scene, (hidden = new Set(scene.parts.map(({ part }) => part).filter((part) => !seen.has(part)))))
  }
  return hidden
}
