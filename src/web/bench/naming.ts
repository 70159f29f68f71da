import type { Catalogue } from '@core/catalogue'
import type { NodeSpec } from '@core/scene'

import { say, sayCount, sayWithin, screenWords } from '../language'
import type { BenchSection } from './use-section'

/** What stands on the bench, by the words people use for it. */
export function useNaming(on: BenchSection) {
  const nodesOf = (ids: Iterable<string>) => [...ids].flatMap((id) => on.nodeById.value.get(id) ?? [])
  const sectionName = (id: string): string => on.model.value?.sections.find((section) => section.id === id)?.name ?? id
  const titleOfNode = (node: NodeSpec): string => nodeTitle(node, on.catalogue.value, sectionName)
  const titleOf = (id: string): string => {
    const node = on.nodeById.value.get(id)
    return node ? titleOfNode(node) : id
  }
  const titleOfAll = (ids: Iterable<string>): string => {
    const nodes = nodesOf(ids)
    return nodes.length === 1 ? titleOfNode(nodes[0]!) : nodesTitle(nodes)
  }
  return { nodesOf, titleOf, titleOfAll }
}

/** What a node is called: "Brick 2 × 4, slate", or the name of the section it is a copy of. */
function nodeTitle(node: NodeSpec, { shapes, colours }: Catalogue, sectionName: (id: string) => string): string {
  if (node.kind === 'copy') {
    const id = node.source.replace(/ mirrored$/, '')
    return `${sectionName(id)}${id === node.source ? '' : say('bench.mirrored')}`
  }
  const part = node.parts[0]?.part
  const shape = shapes.get(node.source)?.title ?? node.source
  return part ? `${shape}, ${sayWithin(colours.get(part.colour)?.name ?? part.colour)}` : shape
}

/** Several nodes in words: "3 pieces", "2 pieces and 1 section". */
function nodesTitle(nodes: readonly NodeSpec[]): string {
  const parts = nodes.filter(({ kind }) => kind === 'part').length
  const copies = nodes.length - parts
  const words = [parts > 0 ? sayCount('count.pieces', parts) : '', copies > 0 ? sayCount('count.sections', copies) : ''].filter(
    (each) => each !== '',
  )
  return screenWords().list(words)
}
