/**
 * The tables derived of one section in space, owned by it: whoever shares its space shares them, and they go when it goes.
 * A table is named by the function that derives it, which must be the same function each time.
 */
export class DerivedTables {
  private readonly tables = new Map<unknown, unknown>()

  /** @param input what the table is derived from where it is not there yet; anything of the section will do that does not depend on steps */
  of<Input, Value>(derive: (input: Input) => Value, input: Input): Value {
    if (!this.tables.has(derive)) this.tables.set(derive, derive(input))
    return this.tables.get(derive) as Value
  }

  /** The table is derived anew when it is asked for next. */
  forget<Input, Value>(derive: (input: Input) => Value): void {
    this.tables.delete(derive)
  }
}
