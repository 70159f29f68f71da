import { memoNamed } from '../memo'
import type { Facet, Shape } from '../catalogue'
import { FACE_NAMES, type FaceName } from '../model'
import { areaOf, cross, dot, normalise, scale, subtract, add, type FlatPoint, type Vec } from '../space'

/** One flat side of a shape: a frame with its middle, the way to the right and the way up as seen from outside. Sizes in u. */
export interface Face {
  readonly name: FaceName
  readonly middle: Vec
  readonly right: Vec
  readonly up: Vec
  readonly normal: Vec
  readonly width: number
  readonly height: number
  /** The facets that make it, as [right, up] from the middle; convex, anticlockwise. */
  readonly pieces: readonly (readonly FlatPoint[])[]
}

/** The frames of level and upright faces, as they are seen from outside. */
export const FRAMES: Readonly<Record<Exclude<FaceName, 'slope'>, { normal: Vec; right: Vec; up: Vec }>> = {
  front: { normal: [0, -1, 0], right: [1, 0, 0], up: [0, 0, 1] },
  back: { normal: [0, 1, 0], right: [-1, 0, 0], up: [0, 0, 1] },
  left: { normal: [-1, 0, 0], right: [0, -1, 0], up: [0, 0, 1] },
  right: { normal: [1, 0, 0], right: [0, 1, 0], up: [0, 0, 1] },
  top: { normal: [0, 0, 1], right: [1, 0, 0], up: [0, 1, 0] },
  bottom: { normal: [0, 0, -1], right: [1, 0, 0], up: [0, -1, 0] },
}

/** Facets of one plane agree in their normal and their distance within this. */
const SAME = 1e-3
/** How straight a face looks along its axis. */
const STRAIGHT = 1 - 1e-9
/** Narrower sides, u, take no picture. */
const LEAST = 3
/** How much a side must lean to be a slope: neither upright nor level. */
const LEAN = 0.15

/** A side of a shape, or nothing where it has none that is flat and large enough. */
export const faceOf = memoNamed(makeFace)

/** The sides of a shape that can take a picture. */
export const facesOf = (shape: Shape): Face[] => FACE_NAMES.flatMap((name) => faceOf(shape, name) ?? [])

function makeFace(shape: Shape, name: FaceName): Face | undefined {
  const facets = largestPlane(shape.plainMesh, (normal) => (name === 'slope' ? leans(normal) : dot(normal, FRAMES[name].normal) > STRAIGHT))
  if (facets.length === 0) return undefined
  const { normal } = facets[0]!
  const { right, up } = name === 'slope' ? leaningFrame(normal) : FRAMES[name]
  const corners = facets.flatMap((facet) => facet.corners)
  const [left, wide] = reach(corners, right)
  const [low, high] = reach(corners, up)
  const [width, height] = [wide - left, high - low]
  if (width < LEAST || height < LEAST) return undefined
  const plane = dot(corners[0]!, normal)
  const middle = add(add(scale(right, (left + wide) / 2), scale(up, (low + high) / 2)), scale(normal, plane))
  const flat = (corner: Vec): FlatPoint => [dot(subtract(corner, middle), right), dot(subtract(corner, middle), up)]
  return { name, middle, right, up, normal, width, height, pieces: facets.map((facet) => facet.corners.map(flat)) }
}

const leans = (normal: Vec): boolean => normal[2] > LEAN && normal[2] < 1 - LEAN * LEAN

/** Right and up on a plane that leans: up is the steepest way. */
function leaningFrame(normal: Vec): { right: Vec; up: Vec } {
  const up = normalise(subtract([0, 0, 1], scale(normal, normal[2])))
  return { right: cross(up, normal), up }
}

function reach(corners: readonly Vec[], way: Vec): [number, number] {
  const along = corners.map((corner) => dot(corner, way))
  return [Math.min(...along), Math.max(...along)]
}

/** Of all facets that face a way, those of the plane that has most of them by area; the outer one where two are alike. */
function largestPlane(mesh: readonly Facet[], isWanted: (normal: Vec) => boolean): Facet[] {
  const planes = new Map<string, { facets: Facet[]; area: number; out: number }>()
  for (const facet of mesh) {
    if (!isWanted(facet.normal)) continue
    const out = dot(facet.corners[0]!, facet.normal)
    const key = [...facet.normal, out].map((value) => Math.round(value / SAME)).join()
    const plane = planes.get(key) ?? { facets: [], area: 0, out }
    plane.facets.push(facet)
    plane.area += facetArea(facet)
    planes.set(key, plane)
  }
  let best: { facets: Facet[]; area: number; out: number } | undefined
  for (const plane of planes.values()) {
    if (!best || plane.area > best.area + SAME || (plane.area > best.area - SAME && plane.out > best.out)) best = plane
  }
  return best?.facets ?? []
}

function facetArea({ corners, normal }: Facet): number {
  const right = Math.abs(normal[2]) > 0.9 ? normalise(cross([0, 1, 0], normal)) : normalise(cross([0, 0, 1], normal))
  const up = cross(normal, right)
  return areaOf(corners.map((corner): FlatPoint => [dot(corner, right), dot(corner, up)]))
}
