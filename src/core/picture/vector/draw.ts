import { keep, outsideOf, type FlatPoint } from '../../space'
import type { DrawnSection } from '../drawn-section'
import type { InkOptions } from '../ink'
import { mixedSlots } from '../ink-palette'
import { INK, type Rgb } from '../paint'
import type { Composition, Overlay, PictureLayer } from '../picture-layer'
import type { Sheen } from '../sheen'
import { joinLines, outlineLoops } from './chain'
import type { Loop } from '../display-list'
import { markItems } from '../mark-items'
import type { Drawing, DrawnItem } from './drawing'
import { visibleLines, type LineKind, type VisibleLine } from './edges'
import { pointsOf, visibleFacets, type VisibleFacet } from './facets'
import { groupOf, paintOrder, type OrderedFacet } from './order'

/** A picture of more faces would take longer to draw than a reader waits, a third of a second on a slow machine, and be larger than its dots. */
const MOST_FACETS = 8_000
/** Widths of lines, px, as the dots have them. */
const WIDTHS: Readonly<Record<LineKind, number>> = { crease: 0.55, outline: 1, heavy: 2.4 }
const FINE = 0.6
const LEADER = 1

/**
 * A step's picture as areas and lines, sharp at any size: faces in the order in which they cover each other, then the edges that show.
 *
 * @returns nothing where there are too many faces; then the picture of dots has to do
 */
export function drawComposition(
  composition: Composition,
  section: Pick<DrawnSection, 'parts' | 'patches'>,
  mostFacets = MOST_FACETS,
): Drawing | undefined {
  const items = plateItems(composition, section, mostFacets)
  if (!items) return undefined
  const overlays = (isFramed: boolean): DrawnItem[] =>
    composition.overlays.filter((overlay) => overlay.isFramed === isFramed).flatMap((overlay) => overlayItems(overlay, section))
  return {
    ...composition.size,
    items: [...items, ...overlays(false), ...composition.marks.flatMap(markItems), ...overlays(true)],
  }
}

function overlayItems(overlay: Overlay, section: Pick<DrawnSection, 'parts' | 'patches'>): DrawnItem[] {
  const items = plateItems(overlay, section, MOST_FACETS) ?? []
  const { left, top, isFramed, opacity, leader } = overlay
  const drawing = { ...overlay.size, items: [...items, ...overlay.marks.flatMap(markItems)] }
  const inset: DrawnItem = { kind: 'drawing', drawing, left, top, isFramed, opacity }
  return leader ? [{ kind: 'lines', colour: INK, width: LEADER, lines: [leader] }, inset] : [inset]
}

function plateItems(layer: PictureLayer, section: Pick<DrawnSection, 'parts' | 'patches'>, mostFacets: number): DrawnItem[] | undefined {
  const facets = visibleFacets(layer, section, mostFacets)
  if (!facets) return undefined
  const scale = 1 / layer.finer
  return [
    ...areaItems(paintOrder(facets), layer.look, scale),
    ...lineItems(
      visibleLines(facets, layer.target, (part) => part >= layer.look.newFrom && part < layer.look.newTo),
      layer.look,
      scale,
    ),
  ]
}

const paperShare = (part: number, { newFrom, newTo, wash }: InkOptions): number => (part >= newFrom && part < newTo ? 0 : wash)

/** Faces that follow each other and look the same become one area. */
function areaItems(order: readonly OrderedFacet[], look: InkOptions, scale: number): DrawnItem[] {
  const items: DrawnItem[] = []
  for (let i = 0; i < order.length;) {
    const group = groupOf(order[i]!.facet)
    let end = i + 1
    while (end < order.length && groupOf(order[end]!.facet) === group) end++
    const pieces = order.slice(i, end).flatMap(piecesOf)
    if (pieces.length > 0) items.push(...faceItems(order[i]!.facet, pieces, look, scale))
    i = end
  }
  return items
}

const piecesOf = ({ facet, cuts }: OrderedFacet): FlatPoint[][] =>
  cuts.reduce<FlatPoint[][]>((pieces, cut) => pieces.flatMap((piece) => outsideOf(piece, cut)), [pointsOf(facet)])

function faceItems({ part, tone, patch }: VisibleFacet, pieces: readonly Loop[], look: InkOptions, scale: number): DrawnItem[] {
  const paper = paperShare(part, look)
  const sized = (loops: readonly Loop[]): Loop[] => loops.map((loop) => loop.map(([x, y]): FlatPoint => [x * scale, y * scale]))
  const loops = sized(outlineLoops(pieces))
  if (patch) {
    const at = ([x, y]: FlatPoint): FlatPoint => [x * scale, y * scale]
    const { decal } = patch.patch
    const sides = { corner: at(patch.corner), right: at(patch.right), down: at(patch.down) }
    return [{ kind: 'picture', address: decal.picture, ...sides, within: loops, opacity: 1 - paper }]
  }
  const slots = mixedSlots(look.looks[part]!, paper)
  const items: DrawnItem[] = [{ kind: 'area', colour: slots.tones[tone]!, loops }]
  const { sheen } = look.looks[part]!
  const stripes = sheen ? pieces.flatMap((piece) => stripesOn(piece, sheen)) : []
  if (stripes.length > 0) items.push({ kind: 'area', colour: slots.lit[tone]!, loops: sized(stripes) })
  return items
}

/** The stripes of light that fall on a convex face. */
function stripesOn(piece: Loop, { across, every, wide }: Sheen): Loop[] {
  const far = ([x, y]: FlatPoint): number => across[0] * x + across[1] * y
  const reach = piece.map(far)
  const stripes: Loop[] = []
  for (let k = Math.floor(Math.min(...reach) / every); k * every <= Math.max(...reach); k++) {
    const from = k * every
    const stripe = keep(
      keep(piece, (point) => far(point) - from),
      (point) => from + wide - far(point),
    )
    if (stripe.length > 2) stripes.push(stripe)
  }
  return stripes
}

/** Lines of one colour and width are one item; the heavy ones come last, over all others. */
function lineItems(lines: readonly VisibleLine[], look: InkOptions, scale: number): DrawnItem[] {
  const styles: Record<LineKind, Map<string, { colour: Rgb; lines: VisibleLine[] }>> = {
    crease: new Map(),
    outline: new Map(),
    heavy: new Map(),
  }
  for (const line of lines) {
    const { lineNames, lines: ink } = mixedSlots(look.looks[line.part]!, paperShare(line.part, look))
    const slot = line.kind === 'crease' ? 1 : 0
    const [colour, name] = line.kind === 'heavy' ? [INK, ''] : [ink[slot]!, lineNames[slot]!]
    const style = styles[line.kind].get(name)
    if (style) style.lines.push(line)
    else styles[line.kind].set(name, { colour, lines: [line] })
  }
  return (['crease', 'outline', 'heavy'] as const).flatMap((kind) =>
    [...styles[kind].values()].map(({ colour, lines: mine }): DrawnItem => {
      const scaled = joinLines(mine).map((line) => line.map(([x, y]): FlatPoint => [x * scale, y * scale]))
      return { kind: 'lines', colour, width: kind === 'outline' && look.hasFineLines ? FINE : WIDTHS[kind], lines: scaled }
    }),
  )
}
