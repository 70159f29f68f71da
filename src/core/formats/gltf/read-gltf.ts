import { extendCatalogue, type Catalogue, type Colour, type OwnShape } from '../../catalogue'
import { extentOf, shapeExtent } from '../../form'
import type { Said } from '../../language'
import { checkModel, shapeOfPart, type ModelDocument, type Part, type Section } from '../../model'
import { apply, composePoses, MM_PER_U, multiply, scale, transpose, TURNS, type Matrix, type Pose } from '../../space'
import { understood, type ReadFile, type ReadOptions } from '../format'
import { remarkOf, type Remark } from '../remark'
import { Assembly, type WorldGroup, type WorldPiece } from './assemble'
import { readColour, type ReadColour } from './colours'
import { broken, openGltf, type Gltf } from './container'
import { findScale, scaled } from './find-scale'
import { looseOf, writtenIn, type WrittenDocument } from './own-extras'
import { readNodes, type PlacedNode } from './nodes'
import { PieceReader, TO_OURS, Z_UP, type DrawnPiece } from './pieces'
import { Recognition, type Recognised } from './recognition'

/** A piece that was found, with what it was recognised as. */
interface FoundPiece {
  readonly piece: DrawnPiece
  readonly recognised: Recognised
  readonly colour: ReadColour
  /** The colour by the name that the file gives it. */
  readonly told: string | undefined
}

/** How often progress is told, in forms. */
const TOLD_EACH = 4

/**
 * A drawing as a document: each node with a mesh a part, recognised by name or by form, named groups as sections.
 * @throws Fault `bad-drawing`, `not-json`, `missing-neighbour`, or what `checkModel` throws
 */
export function readGltf(bytes: Uint8Array, name: string, options: ReadOptions): ReadFile {
  const gltf = openGltf(bytes, options.neighbours)
  const roots = readNodes(gltf)
  const written = roots.length === 1 ? writtenIn(roots[0]!.extras) : undefined
  const catalogue = extendCatalogue(written?.shapes as OwnShape[] | undefined, written?.palette as Colour[] | undefined)
  const reader = new PieceReader(gltf)
  const pieces = new Map<PlacedNode, DrawnPiece>()
  readPieces(roots, reader, pieces)
  if (pieces.size === 0 && !written) throw broken('it has no mesh')
  const mmPerUnit = options.mmPerUnit ?? findScale(reader.all, [...catalogue.shapes.values()])
  const recognition = new Recognition(catalogue, mmPerUnit, options.names)
  const found = recogniseAll(gltf, pieces, {
    catalogue,
    recognition,
    mmPerUnit,
    ...(options.onProgress ? { tell: options.onProgress } : {}),
  })
  const up = options.up ?? upAxis(found, catalogue)
  const whole = extendCatalogue(
    [...((written?.shapes as OwnShape[] | undefined) ?? []), ...recognition.ownShapes],
    written?.palette as Colour[] | undefined,
  )
  const assembly = new Assembly(whole)
  const world = new WorldReading(found, {
    turn: up === 'z' ? Z_UP : TURNS[0]!,
    by: mmPerUnit / MM_PER_U,
    sections: new Set(written?.sections.map(({ id }) => id)),
  })
  const { section } = assembly.buildRoot(world.root(roots, written?.document.name ?? name))
  const model = documentOf({
    name,
    root: section,
    sections: [...assembly.sections.values()],
    ownShapes: recognition.ownShapes,
    written,
    loose: looseOf(roots[0]?.extras),
  })
  const all = [...found.values()]
  return {
    ...understood(checkModel(model)),
    report: reportOf(all, { mmPerUnit, up, snapped: assembly.snapped, recognition }),
    remarks: remarksOf(all),
  }
}

function readPieces(nodes: readonly PlacedNode[], reader: PieceReader, into: Map<PlacedNode, DrawnPiece>): void {
  for (const node of nodes) {
    const piece = node.mesh === undefined ? undefined : reader.read(node, node.mesh)
    if (piece) into.set(node, piece)
    readPieces(node.children, reader, into)
  }
}

interface RecogniseContext {
  readonly catalogue: Catalogue
  readonly recognition: Recognition
  readonly mmPerUnit: number
  readonly tell?: (share: number) => void
}

function recogniseAll(gltf: Gltf, pieces: ReadonlyMap<PlacedNode, DrawnPiece>, context: RecogniseContext): Map<PlacedNode, FoundPiece> {
  const colours = new Map<number | undefined, ReadColour>()
  const found = new Map<PlacedNode, FoundPiece>()
  const forms = new Set<object>()
  const all = new Set([...pieces.values()].map(({ form }) => form)).size
  for (const [node, piece] of pieces) {
    if (!forms.has(piece.form) && forms.size % TOLD_EACH === 0) context.tell?.(forms.size / all)
    forms.add(piece.form)
    const { material } = piece
    if (!colours.has(material))
      colours.set(material, readColour(material === undefined ? undefined : gltf.json.materials?.[material], context.catalogue))
    const said = node.extras.colour
    const told = typeof said === 'string' && context.catalogue.colours.has(said) ? said : undefined
    found.set(node, {
      piece,
      recognised: ownFrame(piece, context) ?? context.recognition.recognise(piece),
      colour: colours.get(material)!,
      told,
    })
  }
  return found
}

/** What this program wrote stands in the shape's own frame; where its size says otherwise, it is looked at like any other. */
function ownFrame({ node, form }: DrawnPiece, { catalogue, mmPerUnit }: RecogniseContext): Recognised | undefined {
  const { shape: id, frame } = node.extras
  const shape = typeof id === 'string' && frame === 'own' ? catalogue.shapes.get(id) : undefined
  if (!shape) return undefined
  const part: Part = { id: '', shape: shape.id, colour: '', ...partExtra(node) }
  const known = shapeExtent(shapeOfPart(part, catalogue.shapes))
  const drawn = extentOf(scaled(form.triangles, mmPerUnit / MM_PER_U))
  const isSame = known.size.every((side, axis) => Math.abs(side - drawn.size[axis]!) < 0.3)
  return isSame ? { by: 'name', shape: shape.id, others: [], pose: { matrix: TURNS[0]!, at: scale(known.min, -1) } } : undefined
}

const partExtra = ({ extras }: PlacedNode): Partial<Part> =>
  typeof extras.part === 'object' && extras.part !== null && !Array.isArray(extras.part) ? extras.part : {}

/** The axis of a file that studs point along: y as glTF says, or z as many programs have it. */
function upAxis(found: ReadonlyMap<PlacedNode, FoundPiece>, { shapes }: Catalogue): 'y' | 'z' {
  let [alongY, alongZ] = [0, 0]
  for (const { piece, recognised } of found.values()) {
    if (recognised.by === 'none' || !shapes.get(recognised.shape)?.connectors.some(({ kind }) => kind === 'stud' || kind === 'socket'))
      continue
    const top = apply(multiply(piece.pose.matrix, recognised.pose.matrix), [0, 0, 1])
    if (top[2] > 0.9) alongY++
    // The z of the file is our −y as long as y is taken to be up.
    if (top[1] < -0.9) alongZ++
  }
  return alongZ > alongY ? 'z' : 'y'
}

interface WorldOptions {
  /** From the axes of the file to ours, after y was taken to be up. */
  readonly turn: Matrix
  /** u a unit. */
  readonly by: number
  /** Sections that the file itself names. */
  readonly sections: ReadonlySet<string>
}

/** Puts what was found into groups: a node with a name and pieces below it is one, unless it only wraps a single piece. */
class WorldReading {
  constructor(
    private readonly found: ReadonlyMap<PlacedNode, FoundPiece>,
    private readonly options: WorldOptions,
  ) {}

  root(nodes: readonly PlacedNode[], name: string): WorldGroup {
    const [only] = nodes
    if (nodes.length === 1 && only!.mesh === undefined) {
      const section = this.sectionOf(only!)
      if (section !== undefined) return this.group(only!, section)
    }
    let all = this.collect(nodes)
    // What wraps everything is no section of its own.
    while (all.pieces.length === 0 && all.groups.length === 1) all = { pieces: all.groups[0]!.pieces, groups: all.groups[0]!.groups }
    return { name, frame: { matrix: TURNS[0]!, at: [0, 0, 0] }, ...all }
  }

  private collect(nodes: readonly PlacedNode[]): Pick<WorldGroup, 'pieces' | 'groups'> {
    const [pieces, groups]: [WorldPiece[], WorldGroup[]] = [[], []]
    for (const node of nodes) {
      const found = this.found.get(node)
      if (found) pieces.push(this.piece(node, found))
      const section = this.sectionOf(node)
      const isGroup = section !== undefined || (node.mesh === undefined && node.name !== '' && this.countBelow(node) > 1)
      if (isGroup) groups.push(this.group(node, section))
      else {
        const inner = this.collect(node.children)
        pieces.push(...inner.pieces.map((piece) => (piece.id === '' && inner.pieces.length === 1 ? { ...piece, id: node.name } : piece)))
        groups.push(...inner.groups)
      }
    }
    return { pieces, groups }
  }

  private readonly counts = new Map<PlacedNode, number>()
  private countBelow(node: PlacedNode): number {
    let count = this.counts.get(node)
    if (count === undefined) {
      count = node.children.reduce((sum, child) => sum + (this.found.has(child) ? 1 : 0) + this.countBelow(child), 0)
      this.counts.set(node, count)
    }
    return count
  }

  private sectionOf({ mesh, extras }: PlacedNode): string | undefined {
    return mesh === undefined && typeof extras.section === 'string' && this.options.sections.has(extras.section)
      ? extras.section
      : undefined
  }

  private group(node: PlacedNode, section: string | undefined): WorldGroup {
    const { copy } = node.extras
    return {
      name: node.name,
      frame: this.frameOf(node),
      ...(section === undefined ? {} : { section }),
      ...stepOf(node),
      ...(typeof copy === 'object' && copy !== null && section !== undefined ? { copy } : {}),
      ...this.collect(node.children),
    }
  }

  /** A node's frame without its scale, but with its mirror. */
  private frameOf({ world }: PlacedNode): Pose {
    const m = multiply(multiply(TO_OURS, world.matrix), transpose(TO_OURS))
    const sizes = [0, 1, 2].map((i) => Math.hypot(m[i]!, m[i + 3]!, m[i + 6]!) || 1)
    const matrix = m.map((value, i) => value / sizes[i % 3]!) as unknown as Matrix
    return this.turned({ matrix, at: apply(TO_OURS, world.at) })
  }

  private turned({ matrix, at }: Pose): Pose {
    const { turn, by } = this.options
    return { matrix: multiply(turn, matrix), at: apply(turn, scale(at, by)) }
  }

  private piece(node: PlacedNode, { piece, recognised, colour, told }: FoundPiece): WorldPiece {
    const outer = this.turned(piece.pose)
    return {
      id: node.name,
      shape: recognised.shape,
      colour: told ?? colour.colour,
      pose: composePoses(outer, recognised.pose),
      ...stepOf(node),
      extra: partExtra(node),
    }
  }
}

const stepOf = ({ extras: { step } }: PlacedNode): { readonly step?: number } =>
  typeof step === 'number' && Number.isInteger(step) && step > 0 ? { step } : {}

interface DocumentParts {
  readonly name: string
  readonly root: string
  readonly sections: readonly Section[]
  readonly ownShapes: readonly OwnShape[]
  readonly written: WrittenDocument | undefined
  readonly loose: readonly { readonly section: string; readonly part: Part }[]
}

function documentOf({ name, root, sections, ownShapes, written, loose }: DocumentParts): ModelDocument {
  const shapes = [...((written?.shapes as OwnShape[] | undefined) ?? []), ...ownShapes]
  const order = new Map(written?.sections.map(({ id }, i) => [id, i]))
  const place = ({ id }: Section): number => order.get(id) ?? order.size
  const all = sections.map((section): Section => {
    const known = written?.sections.find(({ id }) => id === section.id)
    const looseHere = loose.filter((each) => each.section === section.id).map(({ part }) => part)
    const parts = [...(section.parts ?? []), ...looseHere]
    const { steps, ...rest } = section
    return { ...rest, ...(steps ? { steps } : {}), ...known, ...(parts.length > 0 ? { parts } : {}) }
  })
  return {
    format: 'jump-rail-model',
    version: 1,
    name: name || 'Model',
    ...written?.document,
    root,
    sections: all.sort((a, b) => place(a) - place(b)),
    ...(shapes.length > 0 ? { shapes } : {}),
    ...(written?.palette ? { palette: written.palette as Colour[] } : {}),
  }
}

interface ReportFacts {
  readonly mmPerUnit: number
  readonly up: 'y' | 'z'
  readonly snapped: number
  readonly recognition: Recognition
}

function reportOf(all: readonly FoundPiece[], { mmPerUnit, up, snapped, recognition }: ReportFacts): ReadFile['report'] {
  const count = (by: Recognised['by']): number => all.filter(({ recognised }) => recognised.by === by).length
  const boxes = new Map(
    recognition.ownShapes.map(({ id, boxes: own }) => [
      id,
      [0, 1, 2].map((axis) => Math.max(...own.map(({ at, size }) => at[axis]! + size[axis]!))),
    ]),
  )
  const colours = new Map(all.filter(({ told }) => told === undefined).map(({ colour }) => [colour.hex + colour.colour, colour]))
  return {
    parts: all.length,
    recognised: all.length - count('none'),
    byName: count('name'),
    byForm: count('form'),
    unsure: all.flatMap(({ piece, recognised: { shape, others } }) =>
      others.length > 0 ? [{ node: nodeName(piece), shape, others }] : [],
    ),
    unknown: all.flatMap(({ piece, recognised }) =>
      recognised.by === 'none' ? [{ node: nodeName(piece), box: boxes.get(recognised.shape), shape: recognised.shape }] : [],
    ),
    mmPerUnit: Number(mmPerUnit.toPrecision(6)),
    up,
    snap: { max: Number(snapped.toFixed(3)) },
    colours: [...colours.values()],
  }
}

const nodeName = ({ node }: DrawnPiece): string => node.name || `node ${node.index}`

function remarksOf(all: readonly FoundPiece[]): Remark[] {
  const unknown = new Map<string, FoundPiece[]>()
  const unsure = new Map<string, FoundPiece[]>()
  const note = (map: Map<string, FoundPiece[]>, key: string, found: FoundPiece): void =>
    void (map.get(key)?.push(found) ?? map.set(key, [found]))
  for (const found of all) {
    const { by, shape, others } = found.recognised
    if (by === 'none') note(unknown, shape, found)
    else if (others.length > 0) note(unsure, `${shape} ${others.join(' ')}`, found)
  }
  const remark = (made: Said, weight: 'told' | 'to be looked at', found: readonly FoundPiece[]): Remark =>
    remarkOf({
      place: { key: 'read.nodes', n: found.length },
      said: nodeName(found[0]!.piece),
      made,
      needsPerson: weight === 'to be looked at',
    })
  const ambiguous = ({ recognised: { shape, others } }: FoundPiece): Said => ({
    key: 'read.ambiguous',
    about: { shape, others: { list: others, by: ', ' } },
  })
  return [
    ...[...unknown].map(([shape, found]) => remark({ key: 'read.becameShape', about: { shape } }, 'to be looked at', found)),
    ...[...unsure.values()].map((found) => remark(ambiguous(found[0]!), 'told', found)),
  ]
}
