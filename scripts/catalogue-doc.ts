// Writes the tables of docs/catalogue.md from the catalogue itself: `npm run catalogue-doc`. What stands above the mark is kept.
import { readFileSync, writeFileSync } from 'node:fs'
import { BASE_CATALOGUE, socketCount, studCount, turningOf, type Connector, type Shape } from '../src/core/catalogue'

const FILE = 'docs/catalogue.md'
const MARK = '<!-- tables -->'
const WAYS = ['+x', '−x', '+y', '−y', '+z', '−z']

const head = readFileSync(FILE, 'utf8').split(MARK)[0]!
const shapes = [...BASE_CATALOGUE.shapes.values()]
const families = [...new Set(shapes.map(({ family }) => family))]
const connector = ({ kind, at, facing, length, along }: Connector): string =>
  `${kind} ${at.join(' ')} ${WAYS[facing]!}${length === undefined ? '' : ` for ${length}`}${along === undefined ? '' : ` along ${WAYS[along]!}`}`
const others = (shape: Shape): string =>
  shape.connectors
    .filter(({ kind }) => kind !== 'stud' && kind !== 'socket')
    .map(connector)
    .join('; ')
/** About x, y and z: 4 where every quarter looks the same, 2 where the half does, 1 where none; a star where it goes on the wrong way round. */
const TURNS = { 'every quarter': 4, half: 2, none: 1 } as const
const turned = (shape: Shape): string => {
  const { looks, isTrap } = turningOf(shape)
  return `${looks.map((alike) => TURNS[alike]).join(' ')}${isTrap ? ' *' : ''}`
}
const row = (shape: Shape): string =>
  `| \`${shape.id}\` | ${shape.box.join(' × ')} | ${studCount(shape)} | ${socketCount(shape)} | ${shape.bodies.length} | ${turned(shape)} | ${others(shape)} |`

const tables = families.map((family) =>
  [
    `### ${family}`,
    '',
    '| id | body box, u | studs | sockets | boxes | turned | other connectors (u, own frame) |',
    '|---|---|--:|--:|--:|---|---|',
  ]
    .concat(shapes.filter((shape) => shape.family === family).map(row))
    .join('\n'),
)
writeFileSync(FILE, `${head}${MARK}\n\n${shapes.length} shapes in ${families.length} families.\n\n${tables.join('\n\n')}\n`)
