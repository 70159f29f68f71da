import { expose, transfer } from 'comlink'
import { Fault, plainFault, type PlainFault } from '@core/fault'
import { EXPORTS, lettersWithoutFace, type ExportAssets, type ExportInput } from '@press/index'
import { staysAlive } from './alive'
import { FONT_FILES } from './font-files'

const alive = staysAlive()

/** @throws Fault `no-asset` where the server does not have it */
async function fetched(url: string): Promise<Response> {
  const response = await fetch(url)
  if (response.ok) return response
  throw new Fault('no-asset', `A file of the program is missing (${response.status}).`, { place: url, wayOut: 'Load the page again.' })
}

const assets: ExportAssets = {
  font: async (face, weight) => new Uint8Array(await (await fetched(FONT_FILES[face][weight])).arrayBuffer()),
  followPage: async () => (await fetched('/follow/follow.html')).text(),
}

/** The bytes of a file, or why there are none. */
interface Written {
  readonly bytes?: Uint8Array<ArrayBuffer>
  readonly fault?: PlainFault
}

const encoder = new TextEncoder()

const api = {
  ready: (): Promise<boolean> => alive,
  /** Letters of some texts that no typeface of ours has. @throws Fault where a font cannot be loaded */
  lacking: (texts: readonly string[]): Promise<string[]> => lettersWithoutFace(texts, assets.font.bind(assets)),
  /** Writes a file; a fault comes back as data. To stop, end the worker. */
  async write(id: string, input: Omit<ExportInput, 'assets' | 'progress'>, progress: (fraction: number) => void): Promise<Written> {
    try {
      const written = await EXPORTS.find((each) => each.id === id)!.write({ ...input, assets, progress })
      const bytes = (typeof written === 'string' ? encoder.encode(written) : written) as Uint8Array<ArrayBuffer>
      return transfer({ bytes }, [bytes.buffer])
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
}

export type PressApi = typeof api
expose(api)
