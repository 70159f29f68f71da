import {
  catalogueOf,
  copiesOf,
  copyPose,
  isLoose,
  partPose,
  partsOf,
  sectionById,
  shapeOfPart,
  type Copy,
  type ModelDocument,
  type Part,
  type Section,
} from '../../model'
import { isMirroring, withoutMirror, type Vec } from '../../space'
import { GltfBuffers, placed } from './gltf-buffers'
import { rootExtras } from './own-extras'

/** The document as a `.glb`: one node a part, groups follow sections, 1 unit is 1 m, y is up. */
export function writeGltf(model: ModelDocument): Uint8Array<ArrayBuffer> {
  const writing = new DocumentWriting(model)
  return writing.glb(writing.root)
}

class DocumentWriting extends GltfBuffers {
  readonly root: number

  constructor(private readonly model: ModelDocument) {
    super(catalogueOf(model))
    const section = sectionById(model, model.root)
    this.root = this.node({ name: model.name, extras: rootExtras(model) })
    this.fill(this.root, section, { isMirrored: false })
  }

  private fill(holder: number, section: Section, state: { readonly isMirrored: boolean }): void {
    const steps = stepNumbers(section)
    const children = [
      ...partsOf(section)
        .filter((part) => !isLoose(part))
        .map((part) => this.part(part, section, { ...state, step: steps.get(part.id) })),
      ...copiesOf(section).map((copy) => this.copy(copy, section, { ...state, step: steps.get(copy.id) })),
    ]
    if (children.length > 0) this.nodes[holder]!.children = children
  }

  private part(
    part: Part,
    section: Section,
    { isMirrored, step }: { readonly isMirrored: boolean; readonly step: number | undefined },
  ): number {
    const shape = shapeOfPart(part, this.catalogue.shapes)
    const { id, shape: own, colour, at: _at, turn: _turn, ...extra } = part
    const twin = isMirrored ? (shape.mirror.twin ?? own) : own
    const extras = {
      shape: twin,
      colour,
      section: section.id,
      ...(step === undefined ? {} : { step }),
      ...(isMirrored ? {} : { frame: 'own' }),
      ...(Object.keys(extra).length > 0 ? { part: extra } : {}),
    }
    return this.node({ name: id, mesh: this.mesh(part, part.colour, shape), ...placed(partPose(part, shape)), extras })
  }

  private copy(
    copy: Copy,
    section: Section,
    { isMirrored, step }: { readonly isMirrored: boolean; readonly step: number | undefined },
  ): number {
    const pose = copyPose(this.model, section, copy)
    const isFlipped = isMirroring(pose)
    const { id, section: inner, ...written } = copy
    const extras = { section: inner, ...(step === undefined ? {} : { step }), copy: written }
    const flip = isFlipped ? { scale: [-1, 1, 1] as Vec } : {}
    const node = this.node({ name: id, ...placed(isFlipped ? withoutMirror(pose) : pose), ...flip, extras })
    this.fill(node, sectionById(this.model, inner), { isMirrored: isMirrored !== isFlipped })
    return node
  }
}

/** The step of each part and copy of a section with given steps, from 1. */
function stepNumbers({ steps = [] }: Section): Map<string, number> {
  const numbers = new Map<string, number>()
  steps.forEach(({ add = [], join = [] }, i) => [...add, ...join].forEach((id) => numbers.has(id) || numbers.set(id, i + 1)))
  return numbers
}
