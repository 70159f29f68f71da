import { NUMBER_WORDS } from '../count-words'
import { isAct } from './words'

/** What a sentence says of sections. */
export type SectionSaying =
  | {
      readonly kind: 'opens'
      readonly name: string
      readonly rest: string
      readonly isList: boolean
      readonly isNeed?: boolean
      readonly times?: number
    }
  | { readonly kind: 'copies'; readonly total?: number; readonly more?: number; readonly mirrored: number }
  | { readonly kind: 'list'; readonly rest: string }

const NUMBER = String.raw`\d{1,3}|${NUMBER_WORDS.slice(1).join('|')}|a|an|another`
const numberOf = (word: string): number => {
  const found = NUMBER_WORDS.findIndex((each) => each === word.toLowerCase())
  return found > 0 ? found : /^\d+$/.test(word) ? Number(word) : 1
}
const NAME = String.raw`(?:the |a |an |our |its |his |her )?([\p{L}\p{N}][\p{L}\p{N}' -]{0,60}?)`
const NEED = String.raw`(?:you(?:'ll| will)? need|we(?:'ll| will)? need|you(?:'ll| will)? want|i (?:need|used|use|take|took)|needs?|take|takes|get|gather|lay out|use|pieces(?: needed)?(?: are)?|parts(?: needed)?(?: are)?)`

const FOR_NEED = new RegExp(String.raw`^(?:now |next |and |so |ok(?:ay)? |,)*for ${NAME},?\s+${NEED}\b[,:]?\s*(.*)$`, 'iu')
const NEED_FOR = new RegExp(
  String.raw`^(?:now |next |and )*(?:you(?:'ll| will)? need|pieces|parts|what you need)(?: needed)? for ${NAME}(?:\s+(?:is|are))?[,:]\s*(.*)$`,
  'iu',
)
const NAME_NEEDS = new RegExp(String.raw`^(?:now |next |and )*${NAME}\s+(?:needs?|takes?)\s+(.*)$`, 'iu')
const NEED_ONLY = new RegExp(String.raw`^(?:now |next |and |so |,)*${NEED}\b[,:]?\s*(.*)$`, 'iu')
const NOW_THE = new RegExp(
  String.raw`^(?:ok(?:ay)?,?\s+|so,?\s+|right,?\s+|and\s+)*(?:now(?: for)?|next(?: up)?(?: is| comes)?|then|on to|moving on to|let'?s (?:do|build|start(?: with)?)|first(?: up)?|finally|last(?:ly)?|we start with|start with|build|make),?\s+(?:comes? )?(?:the|a|an)\s+([\p{L}\p{N}][\p{L}\p{N}' -]{0,60})$`,
  'iu',
)
const FOR_ONLY = new RegExp(String.raw`^(?:now |next |and )*for ${NAME}$`, 'iu')

const TIMES = /\s*[([]?\s*(?:[x×]\s?(\d{1,2})|(\d{1,2})\s?[x×]|(two|three|four|five|six|eight) times|(twice))\s*[)\]]?\s*$/i

/** What a heading or sentence says of sections; nothing where it is about pieces. @param isPiece whether words name a piece by size or id */
export function sectionSaying(text: string, isHeading: boolean, isPiece: (words: string) => boolean): SectionSaying | undefined {
  const copies = copiesSaying(text)
  if (copies) return copies
  if (isHeading) return headingSaying(text)
  for (const pattern of [FOR_NEED, NEED_FOR]) {
    const found = pattern.exec(text)
    if (found && !isPiece(found[1]!)) return { kind: 'opens', name: found[1]!, rest: found[2]!, isList: true }
  }
  const needs = NAME_NEEDS.exec(text)
  if (needs && !/^(you|we|i|it|this|that|they)\b/i.test(needs[1]!) && !isPiece(needs[1]!))
    return { kind: 'opens', name: needs[1]!, rest: needs[2]!, isList: true }
  for (const pattern of [NOW_THE, FOR_ONLY]) {
    const found = pattern.exec(text)
    if (found && !isPiece(found[1]!) && !isSaid(found[1]!)) return { kind: 'opens', name: found[1]!, rest: '', isList: false }
  }
  const alone = /^(?:the|our|its) ((?:[\p{L}\p{N}'-]+ ?){1,3})$/iu.exec(text)
  if (alone && !isPiece(alone[1]!) && !isSaid(alone[1]!) && !isAct(text)) return { kind: 'opens', name: alone[1]!, rest: '', isList: false }
  const list = NEED_ONLY.exec(text)
  if (list && /need|want|gather|lay out|pieces|parts/i.test(text) && list[1] !== '') return { kind: 'list', rest: list[1]! }
  return undefined
}

/** "now the other one", "then the same": they speak of pieces. */
const isSaid = (words: string): boolean => /^(?:other|same|second|last|next|first|rest)\b/i.test(words)

function headingSaying(text: string): SectionSaying | undefined {
  if (new RegExp(String.raw`^(?:${NEED}|pieces|parts|list)$`, 'iu').test(text)) return { kind: 'list', rest: '' }
  const found = FOR_NEED.exec(`${text} `) ?? NEED_FOR.exec(`${text}: `) ?? FOR_ONLY.exec(text)
  if (found) return { kind: 'opens', name: found[1]!, rest: '', isList: true, isNeed: true }
  const times = TIMES.exec(text)
  const word = times ? (times[1] ?? times[2] ?? times[3] ?? (times[4] ? 'two' : undefined)) : undefined
  const said = (times ? text.slice(0, times.index) : text).replace(/^(?:now|next|then|and|first|finally)[,\s]+/i, '')
  // "Started with the base:", "Pulled off the chimney:": what it is done to is the section.
  const done = isAct(said) ? /\b(?:the|a|an|our|its) (.+)$/i.exec(said)?.[1] : undefined
  const name = (done ?? said).replace(/^(?:the|a|an)\s+/i, '')
  return { kind: 'opens', name, rest: '', isList: done === undefined, ...(word === undefined ? {} : { times: numberOf(word) }) }
}

const VERB = String.raw`(?:build|make|need|do|repeat|copy|want)`
const THESE = String.raw`(?:these|this|those|them|it|that|the same)`
const MORE_OF = new RegExp(String.raw`\b${VERB}\b.*?\b(${NUMBER}) more\b(?:.*\b(?:of ${THESE}|the same|like (?:this|it)|times)\b)?`, 'i')
const OF_THESE = new RegExp(String.raw`\b${VERB}\b.*?\b(${NUMBER})(?: copies)? of ${THESE}\b`, 'i')
const TIMES_OF = new RegExp(String.raw`\b${VERB}\b.*?\b(?:(twice)|(${NUMBER}) times)\b`, 'i')
const SECOND =
  /\b(?:build|make|do|need|want)\b.*?\b(?:a second|another|a third|one more|a fourth)(?: one)?\b(?!\s+(?:plate|brick|tile|slope|\d))|\bsame again for\b/i
const REPEAT = /^(?:now |then |and )*(?:repeat|copy) (?:this|that|it|the same|everything|all)\b(?!.*\bside)/i

/** "build two of these", "build a second one the same", "mirror it for the left". */
function copiesSaying(text: string): SectionSaying | undefined {
  const isMirror = /\bmirror(?:ed|ing)?\b|\bmirror[- ]image\b|\bthe other way round\b/i.test(text)
  const more = MORE_OF.exec(text)
  const total = OF_THESE.exec(text)
  const times = TIMES_OF.exec(text)
  const flipped = new RegExp(String.raw`\b(${NUMBER}) mirrored\b`, 'i').exec(text)
  if (flipped) return { kind: 'copies', mirrored: numberOf(flipped[1]!) }
  const count = more ? numberOf(more[1]!) : total ? numberOf(total[1]!) : times ? (times[1] ? 2 : numberOf(times[2]!)) : 0
  if (isMirror) return { kind: 'copies', mirrored: Math.max(1, count) }
  if (more) return { kind: 'copies', more: count, mirrored: 0 }
  if (total || times) return { kind: 'copies', total: count, mirrored: 0 }
  return SECOND.test(text) || REPEAT.test(text) ? { kind: 'copies', more: 1, mirrored: 0 } : undefined
}
