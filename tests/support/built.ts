import { fileURLToPath } from 'node:url'
import { join } from 'node:path'
import { build } from 'vite'

const top = fileURLToPath(new URL('../../', import.meta.url))

/**
 * Builds the programs for Node as they are shipped: they start five times as fast as their sources do, and what is only wrong
 * when it is built is found.
 *
 * @param name of the folder, of its own for each test file
 * @returns the folder
 */
export async function buildPrograms(name: string): Promise<string> {
  const folder = join(top, 'dist', `test-${name}`)
  await build({ configFile: join(top, 'vite.node.config.ts'), root: top, build: { outDir: folder, emptyOutDir: true } })
  return folder
}
