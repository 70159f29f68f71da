import { FAULT_CODES, type FaultCode } from './codes'

/** The one error type of Jump Rail: a code for programs, a sentence for the person, the place and a way out. */

export interface FaultDetails {
  /** Where: a path in the file ("sections[2].parts[14].turn"), a part id, a line of a CSV file. */
  readonly place?: string
  /** What the person can do about it, as a sentence. */
  readonly wayOut?: string
}

/** Longer texts come from hostile input; nobody reads them. */
const MOST_LETTERS = 2000
const cut = (text: string): string => (text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS)}…` : text)

/** Thrown when input is refused or work cannot be done. Input that throws this has changed nothing. */
export class Fault extends Error {
  readonly code: FaultCode
  readonly place: string | undefined
  readonly wayOut: string | undefined

  constructor(code: FaultCode, sentence: string, details: FaultDetails = {}) {
    super(cut(sentence))
    this.name = 'Fault'
    this.code = code
    this.place = details.place === undefined ? undefined : cut(details.place)
    this.wayOut = details.wayOut === undefined ? undefined : cut(details.wayOut)
  }
}

/** A fault as plain data, for the way through a worker or over the network. */
export interface PlainFault {
  readonly code: string
  readonly message: string
  readonly place?: string
  readonly wayOut?: string
}

const isCode = (code: string): code is FaultCode => Object.hasOwn(FAULT_CODES, code)

/** A plain fault as one that can be thrown; a code that nobody knows, as of another version, is unexpected. */
export const faultFrom = ({ code, message, place, wayOut }: PlainFault): Fault =>
  new Fault(isCode(code) ? code : 'unexpected', message, {
    ...(place === undefined ? {} : { place }),
    ...(wayOut === undefined ? {} : { wayOut }),
  })

/** Turns anything thrown into plain data; what is not a fault becomes `unexpected` and keeps its message. */
export function plainFault(thrown: unknown): PlainFault {
  if (thrown instanceof Fault) {
    return {
      code: thrown.code,
      message: thrown.message,
      ...(thrown.place === undefined ? {} : { place: thrown.place }),
      ...(thrown.wayOut === undefined ? {} : { wayOut: thrown.wayOut }),
    }
  }
  return { code: 'unexpected', message: thrown instanceof Error ? thrown.message : String(thrown) }
}

/** One line for a terminal or a message: sentence, place, way out. */
export function faultLine(fault: PlainFault): string {
  const place = fault.place === undefined ? '' : ` (at ${fault.place})`
  const wayOut = fault.wayOut === undefined ? '' : ` ${fault.wayOut}`
  return `${fault.message}${place}${wayOut}`
}
