import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { FastifyInstance, InjectOptions, LightMyRequestResponse } from 'fastify'
import { makeBundle, type Bundle } from '@core/booklet'
import { readModelText } from '@core/model'
import { reportModel, viewsOf } from '@core/pipeline'
import { buildServer, type ServerOptions } from '../app'
import { FolderStore } from '../store'

/** Servers for tests. */

const model = readModelText(readFileSync(new URL('../../../demo/models/bird-table.rail.json', import.meta.url), 'utf8'))
const { report, looks } = reportModel(model)
/** A booklet of one section. */
export const BUNDLE: Bundle = makeBundle(model, report, viewsOf(looks))
/** The same booklet under another name. */
export const renamed = (name: string): Bundle => ({ ...BUNDLE, model: { ...model, name } })

/** A booklet of another model: one part has another colour. */
export function recoloured(colour: string): Bundle {
  const [first, ...others] = model.sections
  const [part, ...parts] = first!.parts!
  const next = { ...model, sections: [{ ...first!, parts: [{ ...part!, colour }, ...parts] }, ...others] }
  const planned = reportModel(next)
  return makeBundle(next, planned.report, viewsOf(planned.looks))
}

export const newFolder = (): string => mkdtempSync(join(tmpdir(), 'jump-rail-'))

interface Published {
  readonly id: string
  readonly ownerToken: string
}
export interface Client {
  readonly server: FastifyInstance
  /** Folder of the store. */
  readonly data: string
  readonly ask: (
    method: InjectOptions['method'],
    url: string,
    more?: { body?: unknown; token?: string; password?: string; accept?: string },
  ) => Promise<LightMyRequestResponse>
  readonly publish: (settings?: object) => Promise<Published>
}

const open: FastifyInstance[] = []
export const stopAll = async (): Promise<void> => void (await Promise.all(open.splice(0).map((server) => server.close())))

export async function startServer(more: Partial<ServerOptions> = {}): Promise<Client> {
  const folder = newFolder()
  const followPage = join(folder, 'follow.html')
  writeFileSync(followPage, '<title>x</title><script type="application/json" id="bundle"></script><script type="module">go()</script>')
  const data = join(folder, 'data')
  const server = await buildServer({ store: new FolderStore(data), app: join(folder, 'none'), followPage, ...more })
  open.push(server)
  const ask: Client['ask'] = (method, url, { body, token, password, accept } = {}) =>
    server.inject({
      method: method!,
      url,
      ...(body === undefined ? {} : { payload: body as object }),
      headers: {
        ...(token === undefined ? {} : { authorization: `Bearer ${token}` }),
        ...(password === undefined ? {} : { 'x-booklet-password': encodeURIComponent(password) }),
        ...(accept === undefined ? {} : { accept }),
      },
    })
  const publish = async (settings: object = {}): Promise<Published> => {
    const answer = await ask('POST', '/api/booklets', { body: { bundle: BUNDLE, ...settings } })
    return answer.json<Published>()
  }
  return { server, data, ask, publish }
}

/** Status and code of a refusal. */
export const refusal = (answer: LightMyRequestResponse): [number, string] => [answer.statusCode, answer.json<{ code: string }>().code]
