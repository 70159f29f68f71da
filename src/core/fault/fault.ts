import { FAULT_CODES, type FaultCode } from './codes'

/** The one error type of Jump Rail: a code for programs, a sentence for the person, the place and a way out. */

export interface FaultDetails {
  /** Where: a path in the file ("sections[2].parts[14].turn"), a part id, a line of a CSV file. */
  readonly place?: string
  /** What the person can do about it, as a sentence. */
  readonly wayOut?: string
  /** Where several things are wrong at once, as in a table: each of them. */
  readonly problems?: readonly Problem[]
}

/** A sentence as data: the key of its message, and what it is about. */
interface ToldSentence {
  readonly key: string
  readonly n?: number
  readonly about?: Readonly<Record<string, unknown>>
}

/** One of several things that are wrong with an input. */
export interface Problem {
  /** "row 7, column x". */
  readonly place: string
  /** Of a table: the row as a spreadsheet counts, the column as the header writes it, and what stands in the cell. */
  readonly row?: number
  readonly column?: string
  readonly said?: string
  /** What words for a shape or colour could mean: ids, the nearest first. */
  readonly nearest?: { readonly kind: 'shape' | 'colour'; readonly ids: readonly string[] }
  /** What is wrong, and what stands there, as a sentence. */
  readonly message: string
  /** What would do, as a sentence. */
  readonly wayOut?: string
  /** The same as data, for whoever reads another language than English. */
  readonly told?: { readonly place: ToldSentence; readonly message: ToldSentence; readonly wayOut: ToldSentence }
}

/** Longer texts come from hostile input; nobody reads them. */
const MOST_LETTERS = 2000
const cut = (text: string): string => (text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS)}…` : text)

/** Thrown when input is refused or work cannot be done. Input that throws this has changed nothing. */
export class Fault extends Error {
  readonly code: FaultCode
  readonly place: string | undefined
  readonly wayOut: string | undefined
  readonly problems: readonly Problem[]

  constructor(code: FaultCode, sentence: string, details: FaultDetails = {}) {
    super(cut(sentence))
    this.name = 'Fault'
    this.code = code
    this.place = details.place === undefined ? undefined : cut(details.place)
    this.wayOut = details.wayOut === undefined ? undefined : cut(details.wayOut)
    this.problems = details.problems ?? []
  }
}

/** A fault as plain data, for the way through a worker or over the network. */
export interface PlainFault {
  readonly code: string
  readonly message: string
  readonly place?: string
  readonly wayOut?: string
  readonly problems?: readonly Problem[]
}

const isCode = (code: string): code is FaultCode => Object.hasOwn(FAULT_CODES, code)

/** A plain fault as one that can be thrown; a code that nobody knows, as of another version, is unexpected. */
export const faultFrom = ({ code, message, place, wayOut, problems }: PlainFault): Fault =>
  new Fault(isCode(code) ? code : 'unexpected', message, {
    ...(place === undefined ? {} : { place }),
    ...(wayOut === undefined ? {} : { wayOut }),
    ...(problems === undefined ? {} : { problems }),
  })

/** Turns anything thrown into plain data; what is not a fault becomes `unexpected` and keeps its message. */
export function plainFault(thrown: unknown): PlainFault {
  if (thrown instanceof Fault) {
    return {
      code: thrown.code,
      message: thrown.message,
      ...(thrown.place === undefined ? {} : { place: thrown.place }),
      ...(thrown.wayOut === undefined ? {} : { wayOut: thrown.wayOut }),
      ...(thrown.problems.length === 0 ? {} : { problems: thrown.problems }),
    }
  }
  return { code: 'unexpected', message: thrown instanceof Error ? thrown.message : String(thrown) }
}

/** Does something with a part of an input: what it refuses says its place from the top of the input. */
export function placedWithin<T>(key: string, act: () => T): T {
  try {
    return act()
  } catch (thrown) {
    if (!(thrown instanceof Fault)) throw thrown
    throw faultFrom({ ...plainFault(thrown), place: thrown.place === undefined ? key : `${key}.${thrown.place}` })
  }
}

/** One line for a terminal or a message: sentence, place, way out. */
export function faultLine(fault: PlainFault): string {
  const place = fault.place === undefined ? '' : ` (at ${fault.place})`
  const wayOut = fault.wayOut === undefined ? '' : ` ${fault.wayOut}`
  return `${fault.message}${place}${wayOut}`
}
