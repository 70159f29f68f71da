/** A binary heap of numbers by a priority given when they are pushed; the greatest comes first, then the smaller number. */
export class Heap {
  private readonly items: number[] = []
  private readonly priorities: number[] = []

  get size(): number {
    return this.items.length
  }

  push(item: number, priority: number): void {
    const { items, priorities } = this
    let i = items.length
    items.push(item)
    priorities.push(priority)
    while (i > 0) {
      const parent = (i - 1) >> 1
      if (!this.isBefore(i, parent)) break
      this.swap(i, parent)
      i = parent
    }
  }

  pop(): number | undefined {
    const { items, priorities } = this
    const top = items[0]
    if (top === undefined) return undefined
    this.swap(0, items.length - 1)
    items.pop()
    priorities.pop()
    let i = 0
    for (;;) {
      const left = 2 * i + 1
      const right = left + 1
      let first = i
      if (left < items.length && this.isBefore(left, first)) first = left
      if (right < items.length && this.isBefore(right, first)) first = right
      if (first === i) return top
      this.swap(i, first)
      i = first
    }
  }

  private isBefore(i: number, j: number): boolean {
    const { items, priorities } = this
    return priorities[i]! > priorities[j]! || (priorities[i] === priorities[j] && items[i]! < items[j]!)
  }

  private swap(i: number, j: number): void {
    const { items, priorities } = this
    const item = items[i]!
    items[i] = items[j]!
    items[j] = item
    const priority = priorities[i]!
    priorities[i] = priorities[j]!
    priorities[j] = priority
  }
}
