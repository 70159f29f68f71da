import { catalogueOf, copiesOf, sectionById } from '../model'
import type { Said } from '../language'
import { defineCheck } from './check'
import { stepNumber } from './naming'

/** Reported where the mirror is set, not again in every copy around it. */
export const noMirrorTwin = defineCheck({
  code: 'no-mirror-twin',
  severity: 'error',
  about: 'A mirrored copy needs the mirror image of a shape that has none.',
  scope: 'section',
  find({ model, built }) {
    return copiesOf(sectionById(model, built.base)).flatMap((copy) => {
      if (copy.mirror === undefined) return []
      const node = built.scene.nodes.findIndex((spec) => spec.kind === 'copy' && spec.id === copy.id)
      const parts = built.scene.nodes[node]?.parts ?? []
      const lacking = [...new Set(parts.filter((placed) => placed.lacksTwin).map((placed) => placed.shape.id))]
      if (lacking.length === 0) return []
      const { shapes } = catalogueOf(model)
      const titles = { list: lacking.map((id) => ({ piece: shapes.get(id)!.title })) }
      const said: Said = { key: 'find.noMirrorTwin', about: { id: copy.id, titles } }
      return [{ section: built.base, step: node < 0 ? null : stepNumber(built, node), parts: [copy.id], said }]
    })
  },
})
