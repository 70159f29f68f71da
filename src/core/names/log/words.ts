/** What people do with pieces, putting together or taking apart. */
const ACTS = `put place add attach stick press push click snap clip slide lay set use join connect fit mount insert fasten plug drop
  stack cover take remove pull lift pop unclip detach unplug comes come goes go build make start begin turn flip rotate tip hold
  fill finish close hang stand swing bring move screw thread hook give seat position rest tuck work lower raise wrap glue peel undo
  separate split pry slip squeeze rests sits sit install link bridge leave do repeat check grab pick find get`
const IRREGULAR = 'took came went made held found got hung slid stuck began stood brought gave swung left done taken put set'
const VOWEL_BEFORE_LAST = /[aeiou][bdgmnprt]$/
/** "place, placed, placing", "pop, popped, popping". */
const formsOf = (verb: string): string[] => {
  const stem = verb.replace(/e$/, '')
  const doubled = VOWEL_BEFORE_LAST.test(verb) ? [`${verb}${verb.at(-1)}ed`, `${verb}${verb.at(-1)}ing`] : []
  return [verb, `${stem}ed`, `${stem}ing`, ...doubled]
}
const ACT_WORDS = new Set([...ACTS.split(/\s+/).flatMap(formsOf), ...IRREGULAR.split(' ')])

/** Whether something is done, not only named. */
export const isAct = (text: string): boolean =>
  text
    .toLowerCase()
    .split(/[^a-z]+/)
    .some((word) => ACT_WORDS.has(word))

const BEFORE_ACT =
  /^(?:\s|,|now\b|then\b|next\b|and\b|so\b|also\b|first\b|finally\b|carefully\b|gently\b|you\b|we\b|i\b|can\b|just\b|please\b|let'?s\b)+/i
/** What is done something to: "clip a bar" begins with a verb, "clip 1x1" does not. */
const OBJECT =
  /^(?:\s*(?:together|in|on|off|out|up|down|back|away))?\s*(?:an?|the|another|both|all|it|them|that|this|these|those|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\d+|some|more|your|our|its)\b/i

/** A phrase without the verb that it begins with: verbs such as "stick" and "clip" name pieces too. */
export function withoutAct(phrase: string): string {
  const plain = phrase.replace(BEFORE_ACT, '')
  const [first = ''] = plain.split(/\s/, 1)
  const rest = plain.slice(first.length)
  return ACT_WORDS.has(first.toLowerCase()) && (rest.trim() === '' || OBJECT.test(rest.trim())) ? rest.trim() : plain
}

/** What begins a place: what follows it up to the next thing said is where, not what. */
const PLACE_WORDS = [
  'on top of',
  'on top',
  'next to',
  'in front of',
  'on to',
  'in between',
  'on both sides',
  'on each side',
  'at each end',
  'all around',
  'out of',
  'away from',
  'onto',
  'on',
  'under',
  'underneath',
  'beneath',
  'below',
  'above',
  'over',
  'beside',
  'behind',
  'against',
  'between',
  'into',
  'inside',
  'from',
  'to',
  'at',
  'along',
  'across',
  'around',
  'towards',
  'off',
  'through',
  'by',
  'upon',
  'in',
  'so that',
  'until',
  'because',
  'where',
  'which',
  'facing',
  'pointing',
  'as',
  'like',
  'if',
  'when',
  'before',
]
const SPLIT_AT_PLACE = new RegExp(String.raw`\b(?:${PLACE_WORDS.join('|').replace(/ /g, String.raw`\s+`)})\b`, 'i')

const NUMBER = String.raw`(?:\d+|an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|half an?|half)`
const WAYS =
  'high|higher|up|down|in|out|over|away|from|left|right|apart|deep|back|forward|forwards|above|below|further|lower|tall|wide|long|inwards?|outwards?'
/** "three studs from the edge", "two plates up", "one brick higher": a place, though it counts and names. */
const DISTANCE = new RegExp(
  String.raw`\b${NUMBER}\s+(?:studs?(?:\s+(?:${WAYS}))?|(?:plates?|bricks?|rows?|holes?|layers?)\s+(?:${WAYS}))\b(?:\s+(?:the|of|from|each|other|edge|side|end|left|right|front|back|top|bottom)\b)*`,
  'gi',
)

const COUNTED = 'an?|another|both|all|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\\d+'
const PARTICLE = new RegExp(
  String.raw`\b([a-z]+)\s+(?:(?:off|out|down|up|away|back)\s+(?=(?:the|${COUNTED})\b)|(?:on|in)\s+(?=(?:${COUNTED})\b))`,
  'gi',
)

/** "took off a tile" says what, where "put it off the edge" says where. */
const withoutParticles = (text: string): string =>
  text.replace(PARTICLE, (all, verb: string) => (ACT_WORDS.has(verb.toLowerCase()) ? `${verb} ` : all))

/** "on the corner in slate": a colour that stands behind the place. */
function colourIn(place: string, isColour: (words: string) => boolean): string {
  for (const found of place.matchAll(/\bin\s+/gi)) {
    const after = place.slice(found.index + found[0].length)
    if (isColour(after)) return after.split(/\s+(?:in|on|at|to)\s/i, 1)[0]!
  }
  return ''
}

/** "a brick with a stud on its side" is a piece, and no place. */
const SIDE_STUD = /\bwith (?:an? |one |two |four )?studs? (?:on|at) (?:the |its |both |one |all )?(?:four )?sides?\b/gi

/** What of one thing said could be pieces: without distances and without where it goes. A colour after "in" stays. */
export function withoutPlaces(text: string, isColour: (word: string) => boolean): string {
  let rest = withoutParticles(text).replace(SIDE_STUD, ' side-stud ').replace(DISTANCE, ' ')
  let kept = ''
  for (;;) {
    const found = SPLIT_AT_PLACE.exec(rest)
    if (!found) return kept + rest
    const after = rest.slice(found.index + found[0].length)
    const isInColour = /^in$/i.test(found[0]) && isColour(after)
    // "by" between numbers is a size.
    const isSize = /^by$/i.test(found[0]) && /\d\s*$|\b(one|two|three|four|six|eight)\s*$/i.test(rest.slice(0, found.index))
    kept += rest.slice(0, found.index) + (isSize ? found[0] : '')
    if (isInColour || isSize) {
      rest = after
      continue
    }
    // Where it goes ends with the next thing that is counted, or behind a comma.
    const end =
      /,|\band\s+(?=(?:an?|another|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\d+|the same|the other)\b)/i.exec(after)
    const place = end ? after.slice(0, end.index) : after
    kept += ` ${colourIn(place, isColour)}`
    if (!end) return kept
    kept += ` ${end[0]} `
    rest = after.slice(end.index + end[0].length)
  }
}
