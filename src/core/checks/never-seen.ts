import { memo, memoLast } from '../memo'
import { partsOf, type Part } from '../model'
import { findNeverSeen } from '../picture'
import { buildScene, type NodeSpec, type Scene } from '../scene'
import { defineCheck } from './check'
import { freeColour } from './ways'

/** In no copy do they show from outside the finished model. One note for each section; those whose colour is free already are left out. */
export const neverSeen = defineCheck({
  code: 'never-seen',
  severity: 'note',
  about: 'Parts whose colour is asked for although nobody will ever see it.',
  scope: 'model',
  find({ model, built }) {
    const hidden = hiddenParts(built.scene)
    return model.sections.flatMap((section) => {
      const parts = idsOfHidden(partsOf(section), hidden)
      if (parts.length === 0) return []
      return [{ section: section.id, step: null, parts, said: { key: 'find.neverSeen', n: parts.length, about: { parts: { parts } } } }]
    })
  },
  waysOut: freeColour,
})

const idsOfHidden = memoLast((parts: readonly Part[], hidden: ReadonlySet<Part>): readonly string[] =>
  parts.filter((part) => part.showsColour !== false && hidden.has(part)).map((part) => part.id),
)

/** Parts of the document none of whose copies shows; of which parts that is, the scene says, of which places, its tables. */
const hiddenParts = memo((scene: Scene): ReadonlySet<Part> => {
  // What stands apart can be walked around one by one.
  const alone = scene.nodes.some(({ standsApart }) => standsApart) ? scene.nodes.map(sceneAlone) : [scene]
  const seen = new Set(alone.flatMap(partsSeen))
  return new Set(scene.parts.map(({ part }) => part).filter((part) => !seen.has(part)))
})

function partsSeen(scene: Scene): Part[] {
  const isHidden = scene.tables.of(findNeverSeen, scene)
  return scene.parts.filter((_, i) => isHidden[i] === 0).map(({ part }) => part)
}

/** Nodes that an edit leaves are the same objects: they are not looked at again. */
const sceneAlone = memo((node: NodeSpec): Scene => buildScene([node]))
