// Writes what the server sends as it stands in its shortest form beside it (.br, .gz), once, when the application is built:
// no server packs the same file again for every visitor.
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { brotliCompress, constants, gzip } from 'node:zlib'

const TEXT = /\.(js|css|html|json|svg|txt|webmanifest)$/
/** Shorter ones fit into the first packets of an answer anyway. */
const LEAST_BYTES = 1400
const brotli = { params: { [constants.BROTLI_PARAM_QUALITY]: 9, [constants.BROTLI_PARAM_MODE]: constants.BROTLI_MODE_TEXT } }

const files = ['dist/app', 'dist/follow'].flatMap((folder) =>
  readdirSync(folder, { recursive: true })
    .map((name) => join(folder, name))
    .filter((path) => TEXT.test(path) && statSync(path).size >= LEAST_BYTES),
)
await Promise.all(
  files.map(async (path) => {
    const bytes = readFileSync(path)
    writeFileSync(`${path}.br`, await promisify(brotliCompress)(bytes, brotli))
    writeFileSync(`${path}.gz`, await promisify(gzip)(bytes, { level: 9 }))
  }),
)
