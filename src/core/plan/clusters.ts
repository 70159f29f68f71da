import type { Adjacency } from '../joints'
import type { Scene } from '../scene'

/** A cluster is worth finishing before the next is begun from this many nodes on. */
const LEAST_NODES = 12
/** How many of the lowest planes may be ground. */
const MOST_GROUND = 4

/**
 * Which nodes stand together on a common ground: houses of a street, trees of a park. Nodes of the lowest planes are taken
 * out, one plane after another, until what is left falls into parts that hold only through the ground.
 *
 * @returns the cluster of each node, from 0; −1 for the ground and for all where there is nothing to tell apart
 */
export function findClusters(scene: Scene, adjacency: Adjacency): Int32Array {
  const planes = [...new Set(scene.nodeBoxes.map((box) => box.min[2]))].sort((a, b) => a - b)
  for (const plane of planes.slice(0, MOST_GROUND)) {
    const found = componentsAbove(scene, adjacency, plane)
    if (found) return found
  }
  return new Int32Array(scene.nodes.length).fill(-1)
}

function componentsAbove(scene: Scene, adjacency: Adjacency, ground: number): Int32Array | undefined {
  const count = scene.nodes.length
  const cluster = new Int32Array(count).fill(-1)
  const sizes: number[] = []
  for (let seed = 0; seed < count; seed++) {
    if (cluster[seed]! >= 0 || scene.nodeBoxes[seed]!.min[2] <= ground) continue
    const id = sizes.length
    const queue = [seed]
    cluster[seed] = id
    for (const node of queue) {
      for (let k = adjacency.start[node]!; k < adjacency.start[node + 1]!; k++) {
        const other = adjacency.list[k]!
        if (cluster[other]! >= 0 || scene.nodeBoxes[other]!.min[2] <= ground) continue
        cluster[other] = id
        queue.push(other)
      }
    }
    sizes.push(queue.length)
  }
  if (sizes.filter((size) => size >= LEAST_NODES).length < 2) return undefined
  // What is too small to be a cluster of its own belongs to the ground.
  return cluster.map((id) => (id >= 0 && sizes[id]! >= LEAST_NODES ? id : -1))
}
