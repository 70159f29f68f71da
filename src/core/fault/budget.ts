import { Fault } from './fault'

/**
 * Work that grows faster than the model is counted; where it grows past all reason the model is refused, with the place, instead
 * of wearing the machine out. Counted work, not time, so that the same model is refused everywhere.
 */
export class Budget {
  private left: number

  /** @param what is counted, in words that fit after "takes too much": "comparing of tilted pieces" */
  constructor(
    most: number,
    private readonly what: string,
    private readonly wayOut: string,
    private readonly place?: string,
  ) {
    this.left = most
  }

  /** @throws Fault `too-much-work` */
  spend(work = 1): void {
    this.left -= work
    if (this.left >= 0) return
    throw new Fault('too-much-work', `This takes too much ${this.what}.`, {
      ...(this.place === undefined ? {} : { place: this.place }),
      wayOut: this.wayOut,
    })
  }
}
