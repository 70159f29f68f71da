import { QUESTION_KINDS, QUESTION_STATES } from '../records'

/** What the server takes and answers, for programs: OpenAPI 3.1. */

type Schema = Readonly<Record<string, unknown>>

const text = (most: number): Schema => ({ type: 'string', maxLength: most })
const object = (properties: Readonly<Record<string, Schema>>, required: readonly string[] = []): Schema => ({
  type: 'object',
  additionalProperties: false,
  properties,
  ...(required.length > 0 ? { required } : {}),
})
const ref = (name: string): Schema => ({ $ref: `#/components/schemas/${name}` })
const list = (items: Schema): Schema => ({ type: 'array', items })
const orNull = (schema: Schema): Schema => ({ anyOf: [schema, { type: 'null' }] })
const number: Schema = { type: 'integer', minimum: 0 }
const wasAndIs = { was: number, is: number }

const marketDay = { seed: number, date: { type: 'string', format: 'date' } }
const kind = { shape: text(200), colour: text(200) }

const bundle: Schema = { type: 'object', description: 'A jump-rail-bundle, as `booklet FILE -o OUT.json` writes it; at most 32 MiB.' }

const SCHEMAS: Readonly<Record<string, Schema>> = {
  Window: object(
    {
      freeUntil: { type: 'string', description: 'ISO date (00:00 UTC) or time' },
      after: { enum: ['closed', 'password'] },
      note: text(20_000),
    },
    ['freeUntil', 'after'],
  ),
  Changes: object({
    steps: list(object({ section: { type: 'string' }, ...wasAndIs })),
    sections: object({ added: list({ type: 'string' }), removed: list({ type: 'string' }) }),
    pieces: list(object({ shape: { type: 'string' }, colour: { type: 'string' }, ...wasAndIs })),
  }),
  Booklet: object({
    id: { type: 'string' },
    name: { type: 'string' },
    designer: { type: 'string' },
    version: number,
    versions: list(object({ version: number, date: { type: 'string' }, changes: ref('Changes'), whatChanged: { type: 'string' } })),
    terms: { type: 'string' },
    window: ref('Window'),
    questions: { enum: ['open', 'closed'] },
    access: { enum: ['open', 'password', 'closed', 'withdrawn'] },
  }),
  NewQuestion: object(
    {
      kind: { enum: [...QUESTION_KINDS] },
      text: text(4000),
      section: text(200),
      step: { type: 'integer', minimum: 1 },
      part: text(1000),
      minutes: { type: 'number', minimum: 0 },
      name: text(80),
      link: { ...text(2000), format: 'uri' },
    },
    ['kind', 'text'],
  ),
  Question: {
    type: 'object',
    properties: {
      questionId: { type: 'string' },
      kind: { enum: [...QUESTION_KINDS] },
      text: { type: 'string' },
      state: { enum: [...QUESTION_STATES] },
      answer: { type: 'string' },
      date: { type: 'string' },
    },
  },
  Refusal: {
    type: 'object',
    required: ['code', 'message', 'requestId'],
    properties: {
      code: { type: 'string' },
      message: { type: 'string' },
      place: { type: 'string' },
      wayOut: { type: 'string' },
      requestId: { type: 'string' },
    },
  },
}

const json = (schema: Schema): Schema => ({ content: { 'application/json': { schema } } })
const body = (schema: Schema): Schema => ({ required: true, ...json(schema) })
const inPath = (name: string): Schema => ({ name, in: 'path', required: true, schema: { type: 'string' } })
const owner = [{ bearer: [] }]
const password: Schema = {
  name: 'X-Booklet-Password',
  in: 'header',
  description: 'Percent-encoded UTF-8',
  schema: { type: 'string' },
}

interface Operation {
  readonly summary: string
  readonly body?: Schema
  readonly answer: readonly [status: number, description: string, schema?: Schema]
  readonly isOfOwner?: boolean
  readonly takesPassword?: boolean
}

const OPERATIONS: Readonly<Record<string, Readonly<Record<string, Operation>>>> = {
  '/api/booklets': {
    post: {
      summary: 'Publish a new booklet',
      body: object({ bundle, terms: text(20_000), window: ref('Window'), password: text(1000) }, ['bundle']),
      answer: [
        201,
        'Published',
        object({ id: { type: 'string' }, version: number, link: { type: 'string' }, ownerToken: { type: 'string' } }),
      ],
    },
  },
  '/api/booklets/{id}': {
    get: { summary: 'What the booklet is', takesPassword: true, answer: [200, 'Its names, versions, terms and access', ref('Booklet')] },
    put: {
      summary: 'Publish a version',
      isOfOwner: true,
      body: object({ bundle, whatChanged: text(20_000) }, ['bundle']),
      answer: [200, 'The newest content again keeps its number', object({ version: number, changes: ref('Changes') })],
    },
    patch: {
      summary: 'Change settings; null takes one away',
      isOfOwner: true,
      body: object({
        terms: orNull(text(20_000)),
        window: orNull(ref('Window')),
        password: orNull(text(1000)),
        questions: { enum: ['open', 'closed', null] },
      }),
      answer: [200, 'As it is now', ref('Booklet')],
    },
    delete: { summary: 'Withdraw for good', isOfOwner: true, answer: [204, 'Withdrawn'] },
  },
  '/api/booklets/{id}/versions/{n}': {
    get: { summary: 'The bundle of a version', takesPassword: true, answer: [200, 'The bundle', bundle] },
  },
  '/api/booklets/{id}/questions': {
    get: {
      summary: 'Questions that are public or solved; all for the owner, beside them his own for an asker',
      takesPassword: true,
      answer: [200, 'In the order in which they were asked', object({ questions: list(ref('Question')) })],
    },
    post: {
      summary: 'Ask',
      takesPassword: true,
      body: ref('NewQuestion'),
      answer: [201, 'Kept, private', object({ questionId: { type: 'string' }, token: { type: 'string' } })],
    },
  },
  '/api/booklets/{id}/questions/{q}/answer': {
    post: {
      summary: 'Answer',
      isOfOwner: true,
      body: object({ text: text(20_000) }, ['text']),
      answer: [200, 'Answered', ref('Question')],
    },
  },
  '/api/booklets/{id}/questions/{q}': {
    patch: {
      summary: 'Say who sees it',
      isOfOwner: true,
      body: object({ state: { enum: [...QUESTION_STATES] } }, ['state']),
      answer: [200, 'Changed', ref('Question')],
    },
    delete: { summary: 'Take it away; owner or asker', isOfOwner: true, answer: [204, 'Gone'] },
  },
  '/api/practice/prices': {
    post: {
      summary: 'Prices of a made-up market, told by a seed and a day',
      body: object({ ...marketDay, pieces: list(object(kind, ['shape', 'colour'])) }, ['pieces']),
      answer: [200, 'Files of offers and of kits', object({ offers: { type: 'object' }, kits: { type: 'object' } })],
    },
  },
  '/api/practice/orders': {
    post: {
      summary: 'Order there; nothing is bought',
      body: object(
        {
          ...marketDay,
          order: object(
            {
              supplier: text(200),
              lines: list(object({ ...kind, count: number, lengthMm: { type: 'number' } }, ['shape', 'colour', 'count'])),
              kits: list(object({ id: text(200), count: number }, ['id', 'count'])),
            },
            ['supplier', 'lines', 'kits'],
          ),
        },
        ['order'],
      ),
      answer: [201, 'What comes; now and then less than was ordered', { type: 'object' }],
    },
  },
  '/f/{id}': { get: { summary: 'Follow the newest version, or ?v=N', takesPassword: true, answer: [200, 'A page'] } },
  '/healthz': { get: { summary: 'Does the server answer?', answer: [200, 'It does'] } },
  '/readyz': { get: { summary: 'Can booklets be kept?', answer: [200, 'They can; 503 where not'] } },
  '/api/openapi.json': { get: { summary: 'This description', answer: [200, 'OpenAPI 3.1'] } },
}

export function openApi(): Schema {
  const paths = Object.entries(OPERATIONS).map(([path, operations]) => [
    path,
    Object.fromEntries(Object.entries(operations).map(([method, operation]) => [method, described(path, operation)])),
  ])
  return {
    openapi: '3.1.0',
    info: { title: 'Jump Rail: published booklets', version: '1' },
    paths: Object.fromEntries(paths) as Schema,
    components: { schemas: SCHEMAS, securitySchemes: { bearer: { type: 'http', scheme: 'bearer' } } },
  }
}

function described(
  path: string,
  { summary, body: asked, answer: [status, description, schema], isOfOwner, takesPassword }: Operation,
): Schema {
  const inPaths = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => inPath(name!))
  return {
    summary,
    parameters: [...inPaths, ...(takesPassword ? [password] : [])],
    ...(asked ? { requestBody: body(asked) } : {}),
    ...(isOfOwner ? { security: owner } : {}),
    responses: {
      [status]: { description, ...(schema ? json(schema) : {}) },
      default: { description: 'Refused', ...json(ref('Refusal')) },
    },
  }
}
