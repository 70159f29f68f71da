/** Answers kept by what was asked, so many at most; what was asked for longest ago goes first. A refusal is not kept. */
export class KeptAnswers<Value> {
  private readonly known = new Map<string, Promise<Value>>()

  constructor(private readonly most: number) {}

  of(key: string, ask: () => Promise<Value>): Promise<Value> {
    const answer = this.known.get(key) ?? ask()
    // Put at the end again: a map keeps the order of what was put in.
    this.known.delete(key)
    this.known.set(key, answer)
    answer.catch(() => {
      if (this.known.get(key) === answer) this.known.delete(key)
    })
    if (this.known.size > this.most) this.known.delete(this.known.keys().next().value!)
    return answer
  }

  clear(): void {
    this.known.clear()
  }
}
