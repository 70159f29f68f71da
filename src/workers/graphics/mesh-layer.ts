import { BufferAttribute, BufferGeometry, Group, LineSegments, Mesh, Scene, type ShaderMaterial } from 'three'
import {
  groupParts,
  mergeGroup,
  studCount,
  studDetail,
  type DrawnPart,
  type MergedMesh,
  type PartGroup,
  type PartTint,
  type StudDetail,
} from '@core/picture'
import { DIRECTION_VECTORS, dot, type Vec } from '@core/space'

export type LayerMaterials = Readonly<Record<'face' | 'line' | 'ghost', ShaderMaterial>>

/** Four bytes a corner that stand for shares of one. */
function shares(bytes: Int8Array | Uint8Array): BufferAttribute {
  const attribute = new BufferAttribute(bytes, 4)
  attribute.normalized = true
  return attribute
}

/** One group of parts on the card: its faces by the way they face, and its lines. */
class GroupMesh {
  readonly group = new Group()
  private readonly faces: readonly Mesh[]
  private readonly lines: LineSegments
  private readonly used: BufferGeometry[] = []

  constructor(
    private readonly merged: MergedMesh,
    { face, line }: Pick<LayerMaterials, 'face' | 'line'>,
  ) {
    const attributes = {
      position: new BufferAttribute(merged.corners, 3),
      normal: shares(merged.normals),
      tint: shares(merged.tints),
    }
    this.faces = merged.triangles.map((triangles) => {
      const geometry = new BufferGeometry()
      for (const [name, attribute] of Object.entries(attributes)) geometry.setAttribute(name, attribute)
      geometry.setIndex(new BufferAttribute(triangles, 1))
      return this.add(new Mesh(geometry, face))
    })
    const geometry = new BufferGeometry()
    geometry.setAttribute('position', new BufferAttribute(merged.lines, 3))
    geometry.setAttribute('tint', shares(merged.inks))
    this.lines = this.add(new LineSegments(geometry, line))
  }

  private add<Drawn extends Mesh | LineSegments>(drawn: Drawn): Drawn {
    // The whole is in sight or nothing is: nothing is gained by looking.
    drawn.frustumCulled = false
    this.used.push(drawn.geometry)
    this.group.add(drawn)
    return drawn
  }

  choose(away: Vec, { hasLines }: { readonly hasLines: boolean }): void {
    this.faces.forEach((mesh, sort) => {
      const way = DIRECTION_VECTORS[sort]
      mesh.visible = this.merged.triangles[sort]!.length > 0 && (!way || dot(way, away) < 0)
    })
    this.lines.visible = hasLines && this.merged.lines.length > 0
  }

  dispose(): void {
    for (const each of this.used) each.dispose()
  }
}

/** Parts drawn alike, merged by groups: after an edit only the groups near it are merged anew, and none before it is drawn. */
export class MeshLayer {
  readonly scene = new Scene()
  private readonly meshes = new Map<PartGroup, GroupMesh>()
  private groups: readonly PartGroup[] = []
  private detail: StudDetail = 'none'
  private tintOf: ((part: DrawnPart) => PartTint) | undefined

  constructor(
    private readonly materials: Pick<LayerMaterials, 'face' | 'line'>,
    private readonly what: { readonly hasStuds: boolean },
  ) {}

  get isEmpty(): boolean {
    return this.groups.every(({ parts }) => parts.length === 0)
  }

  setParts(parts: readonly DrawnPart[]): void {
    this.groups = groupParts(parts, this.groups, this.what)
    const detail = this.what.hasStuds ? studDetail(studCount(this.groups)) : 'none'
    if (detail !== this.detail) this.drop(() => true)
    this.detail = detail
    const kept = new Set(this.groups)
    this.drop((group) => !kept.has(group))
  }

  /** All is merged anew. */
  setTints(tintOf: (part: DrawnPart) => PartTint): void {
    this.tintOf = tintOf
    this.drop(() => true)
  }

  /** Merges what is new, and shows what faces the viewer; lines where they are wanted. */
  choose(away: Vec, what: { readonly hasLines: boolean }): void {
    for (const group of this.groups) {
      if (group.parts.length === 0 || !this.tintOf) continue
      let mesh = this.meshes.get(group)
      if (!mesh) {
        mesh = new GroupMesh(mergeGroup(group, this.tintOf, this.detail), this.materials)
        this.meshes.set(group, mesh)
        this.scene.add(mesh.group)
      }
      mesh.choose(away, what)
    }
  }

  private drop(isGone: (group: PartGroup) => boolean): void {
    for (const [group, mesh] of this.meshes) {
      if (!isGone(group)) continue
      this.scene.remove(mesh.group)
      mesh.dispose()
      this.meshes.delete(group)
    }
  }
}
