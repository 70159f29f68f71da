/** Groups that only grow together while a model is built (Tarjan 1975, union-find with path halving). */
export class Groups {
  private readonly root: Int32Array
  private readonly sizes: Int32Array
  /** Step in which the oldest member of a group was laid down, by root. */
  private readonly born: Int32Array

  constructor(count: number) {
    this.root = new Int32Array(count)
    for (let i = 0; i < count; i++) this.root[i] = i
    this.sizes = new Int32Array(count).fill(1)
    this.born = new Int32Array(count)
  }

  of(node: number): number {
    const { root } = this
    while (root[node] !== node) {
      root[node] = root[root[node]!]!
      node = root[node]!
    }
    return node
  }

  lay(node: number, step: number): void {
    this.born[node] = step
  }

  bornIn(group: number): number {
    return this.born[group]!
  }

  /** Joins two groups; the older birth stays. @returns the root of the joined group and the one that is no more. */
  join(a: number, b: number): { kept: number; gone: number } | undefined {
    let kept = this.of(a)
    let gone = this.of(b)
    if (kept === gone) return undefined
    if (this.sizes[kept]! < this.sizes[gone]!) [kept, gone] = [gone, kept]
    this.root[gone] = kept
    this.sizes[kept]! += this.sizes[gone]!
    this.born[kept] = Math.min(this.born[kept]!, this.born[gone]!)
    return { kept, gone }
  }
}
