import { Fault } from '../fault'

/** The value of a text in JSON, with or without a byte-order mark. @throws Fault `not-json` */
export function jsonValue(text: string, wayOut: string): unknown {
  try {
    return JSON.parse(text.charCodeAt(0) === 0xfeff ? text.slice(1) : text)
  } catch (error) {
    throw new Fault('not-json', `The file is not valid JSON: ${(error as Error).message}.`, { wayOut })
  }
}
