import { readFileSync } from 'node:fs'
import { unzipSync } from 'fflate'
import { validateBytes } from 'gltf-validator'
import { describe, expect, it } from 'vitest'
import { makeBundle, makePages } from '@core/booklet'
import { readModelText } from '@core/model'
import { reportModel, viewsOf } from '@core/pipeline'
import { writeStepDrawings } from './step-drawings'

const model = readModelText(readFileSync('demo/models/wind-pump.rail.json', 'utf8'))
const { report, looks } = reportModel(model)
const bundle = makeBundle(model, report, viewsOf(looks))

interface DrawingNode {
  readonly name: string
  readonly mesh?: number
  readonly children?: readonly number[]
}

function nodesOf(file: Uint8Array): DrawingNode[] {
  const length = new DataView(file.buffer, file.byteOffset).getUint32(12, true)
  return (JSON.parse(new TextDecoder().decode(file.subarray(20, 20 + length))) as { nodes: DrawingNode[] }).nodes
}

describe('each step in 3D', () => {
  it('is a sound drawing with all parts so far, what is new in a group of its own', async () => {
    const told: number[] = []
    const files = unzipSync(await writeStepDrawings(bundle, (fraction) => void told.push(fraction)))
    const steps = makePages(bundle).flatMap((page) => (page.kind === 'step' || page.kind === 'jump' ? [page] : []))
    expect(Object.keys(files)).toEqual(steps.map(({ label }) => `${label}.glb`))
    expect(told.at(-1)).toBe(1)
    for (const file of Object.values(files)) expect((await validateBytes(file)).issues.numErrors).toBe(0)
    for (const section of bundle.plan.sections) {
      const own = steps.filter((page) => page.section === section.id)
      let before = 0
      for (const { label } of own) {
        const nodes = nodesOf(files[`${label}.glb`]!)
        const groupSize = (name: string): number => nodes.find((node) => node.name === name)?.children?.length ?? 0
        expect(groupSize('Already there')).toBe(before)
        expect(groupSize('New in this step')).toBeGreaterThan(0)
        before = nodes.filter(({ mesh }) => mesh !== undefined).length
      }
    }
  })

  it('stops when its progress throws', async () => {
    await expect(writeStepDrawings(bundle, () => Promise.reject(new Error('stopped')))).rejects.toThrow('stopped')
  })
})
