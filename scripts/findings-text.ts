import { CHECKS, findingTitle } from '../src/core/checks'
import { ADVICE_IN_ENGLISH } from '../src/core/language'
import { CORPUS } from '../tests/findings/corpus'
import { confusion } from '../tests/findings/confusion'

const share = (part: number, whole: number): string => (whole === 0 ? '–' : `${Math.round((100 * part) / whole)} %`)

/** docs/findings.md: how often each finding is told where it should be, and where it should not. */
export function findingsDoc(): string {
  const rows = confusion()
  const title = new Map(CHECKS.map((check) => [check.code as string, findingTitle(check.code, ADVICE_IN_ENGLISH)]))
  const table = rows.map(({ code, found, missed, invented }) => {
    const without = CORPUS.length - found - missed
    return `| \`${code}\` | ${title.get(code) ?? ''} | ${found} | ${missed} | ${invented} | ${share(found, found + missed)} | ${share(invented, without)} |`
  })
  return `# Findings: told, missed, invented

Over the ${CORPUS.length} small models of \`tests/findings\`, each written down with all that a careful builder would find in it (made by \`npm run docs\`; a test
says when a model reads otherwise). A code counts once a model. Half of the models are near misses: a lap where a seam was, a door where a gap was, a row all
one way. Models of others may read worse than these, which the checks were made with.

| code | told as | found | missed | invented | found of those that have it | told of those that do not |
|---|---|---|---|---|---|---|
${table.join('\n')}

## What is meant

- \`straight-seam\`: a line up a wall along which no part laps over, with three or more parts on each of its sides. Flat sides only: a round post beside a wall
  is no wall. Parts of one piece are one course; a tall piece on one side is a post, not a seam.
- \`turn-trap\`: one of at least four alike in a row that is turned otherwise (not the middle one); one of a pair on two sides of a section that is the same left
  and right, or front and back, in hand, turn or content of a copy; side studs that point away from the reader. A note in the step answers it.
- \`weak-joint\`: what hangs on one stud, not what stands on the table; of two that both stand, the lighter.
- \`see-through\`: a gap of half a stud to two studs into a room that is closed elsewhere. Narrower ones may be joints that do not quite close.
- \`hidden\`: shows neither in its place nor beside it, where it comes from.
`
}
