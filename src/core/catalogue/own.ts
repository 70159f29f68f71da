import { apply, directionFromText, directionOf, DIRECTION_VECTORS, type DirectionText, type Vec, vecOf } from '../space'
import { LEFT_RIGHT, makeShape } from './make'
import type { Connector, ConnectorKind, Shape } from './types'

/** A shape of the designer's own, as a model file holds it: boxes and connectors in u, lowest corner at the origin. */
export interface OwnShape {
  readonly id: string
  readonly name: string
  readonly boxes: readonly { readonly at: Vec; readonly size: Vec }[]
  readonly connectors?: readonly OwnConnector[]
}

/** A connector as a model file tells it; `length` of bars, axles and hoses, `along` of clips and hinges. */
export interface OwnConnector {
  readonly kind: ConnectorKind
  readonly at: Vec
  readonly facing: DirectionText
  readonly length?: number
  readonly along?: DirectionText
}

function connectorFrom({ kind, at, facing, length, along }: OwnConnector): Connector {
  return {
    kind,
    at,
    facing: directionFromText(facing)!,
    ...(length === undefined ? {} : { length }),
    ...(along === undefined ? {} : { along: directionFromText(along)! }),
  }
}

export function ownShape(own: OwnShape): Shape {
  const bodies = own.boxes.map(({ at, size }) => ({
    min: at,
    max: [at[0] + size[0], at[1] + size[1], at[2] + size[2]] as const,
  }))
  const box = vecOf((i) => Math.max(...bodies.map((body) => body.max[i])))
  const connectors = (own.connectors ?? []).map(connectorFrom)
  const recipe = { id: own.id, family: 'own shape', title: own.name, box, bodies, connectors, reflection: LEFT_RIGHT }
  return makeShape({ ...recipe, twin: isLeftRightAlike(own, connectors, box) ? own.id : null })
}

/** Whether the shape is its own image in the plane across x through the middle of its body box. */
function isLeftRightAlike(own: OwnShape, connectors: readonly Connector[], box: Vec): boolean {
  const boxKey = (at: Vec, size: Vec): string => [...at, ...size].join()
  const boxes = new Set(own.boxes.map(({ at, size }) => boxKey(at, size)))
  const alikeBoxes = own.boxes.every(({ at, size }) => boxes.has(boxKey([box[0] - at[0] - size[0], at[1], at[2]], size)))
  const connectorKey = (kind: string, at: Vec, facing: number): string => [kind, ...at, facing].join()
  const all = new Set(connectors.map((c) => connectorKey(c.kind, c.at, c.facing)))
  return (
    alikeBoxes &&
    connectors.every((c) => {
      const facing = directionOf(apply(LEFT_RIGHT, DIRECTION_VECTORS[c.facing]!))!
      return all.has(connectorKey(c.kind, [box[0] - c.at[0], c.at[1], c.at[2]], facing))
    })
  )
}
