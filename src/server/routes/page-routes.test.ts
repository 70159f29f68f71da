import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync, brotliDecompressSync } from 'node:zlib'
import { afterEach, describe, expect, it } from 'vitest'
import { newFolder, startServer, stopAll } from '../support/start'

afterEach(stopAll)

const TEXT = 'console.log("the application")'
/** A built application of one file, and the same file packed. */
function builtApp(): string {
  const app = newFolder()
  mkdirSync(join(app, 'assets'))
  writeFileSync(join(app, 'assets', 'app.js'), TEXT)
  writeFileSync(join(app, 'assets', 'app.js.br'), brotliCompressSync(TEXT))
  return app
}

describe('the files of the application', () => {
  it('go out as they were packed at the build, and plain to who cannot unpack them', async () => {
    const { server } = await startServer({ app: builtApp() })
    const asked = (encoding: string) => server.inject({ url: '/assets/app.js', headers: { 'accept-encoding': encoding } })
    const packed = await asked('br')
    expect(packed.headers).toMatchObject({
      'content-encoding': 'br',
      vary: 'accept-encoding',
      'content-type': expect.stringContaining('javascript') as unknown,
    })
    expect(packed.headers['cache-control']).toContain('immutable')
    expect(packed.rawPayload).toEqual(brotliCompressSync(TEXT))
    expect(brotliDecompressSync(packed.rawPayload).toString()).toBe(TEXT)
    const plain = await asked('identity')
    expect([plain.headers['content-encoding'], plain.body]).toEqual([undefined, TEXT])
  })
})
