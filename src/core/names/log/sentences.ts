/** One thing that is said in a log: a sentence, or what stands between "then" and "then". */
export interface Sentence {
  /** From 1. */
  readonly line: number
  readonly text: string
  /** It ends its line with a colon: what follows belongs to it. */
  readonly isHeading: boolean
}

/** Marks before a line of a list: "- two plates", "3. Put …", "Step 4:". */
const LIST_MARK = /^\s*(?:[-*•–]\s+|\(?\d{1,3}[.)]\s+|step\s+\d+\s*[:.)-]?\s*)/i
/** Where one act ends and the next begins, within a line. */
const BREAK = /(?<=[.!?;])\s+|(?:,\s*|\s+)(?:and\s+)?(?:then|after that|afterwards)[,\s]+/i

/** Takes a log apart into what is said, one after another. */
export function sentencesOf(text: string): Sentence[] {
  return text.split(/\r?\n/).flatMap((raw, i) => {
    const line = raw.replace(LIST_MARK, '').trim()
    if (line === '' || /^step\s+\d+\s*:?$/i.test(raw.trim())) return []
    return headed(line)
      .flatMap((part) => (part.isHeading ? [part] : part.text.split(BREAK).map((each) => ({ text: each, isHeading: false }))))
      .map((part) => ({ line: i + 1, text: part.text.replace(/[.!?;,]+$/, '').trim(), isHeading: part.isHeading }))
      .filter((sentence) => sentence.text !== '')
  })
}

/** "Roof:" and "Legs: two plates" begin with a heading. */
function headed(line: string): { readonly text: string; readonly isHeading: boolean }[] {
  const found = /^([^:.;!?]{1,80}):\s*(.*)$/.exec(line)
  if (!found) return [{ text: line, isHeading: false }]
  const [, heading, rest] = found
  return [{ text: heading!.trim(), isHeading: true }, ...(rest === '' ? [] : [{ text: rest!, isHeading: false }])]
}
