import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { checkBundle } from '../formats'
import { readModelText, type ModelDocument } from '../model'
import { bundleAt, makePages, planBooklet, spokenText, versionsBeside, type Bundle } from './index'

const put = (model: ModelDocument, isIn = true): ModelDocument => ({
  ...model,
  variants: model.variants!.map((variant) => ({ ...variant, inBooklet: isIn })),
})
const stall = put(readModelText(readFileSync(new URL('../../../demo/models/market-stall.rail.json', import.meta.url), 'utf8')), false)
const model = put(stall)
const night = model.variants![0]!
const booklet = planBooklet(model, {}).bundle

/** Of each step that is told as built so in some versions only: its label and the sentence. */
const marked = (bundle: Bundle): string[] =>
  makePages(bundle).flatMap((page) =>
    'remarks' in page && 'label' in page
      ? page.remarks.filter((line) => line.startsWith('Built so in')).map((line) => `${page.label}: ${line}`)
      : [],
  )

describe('several versions in one booklet', () => {
  it('are the model as designed and what its designer put in, whichever is shown', () => {
    expect(versionsBeside(put(stall, false), {})).toEqual({})
    expect(versionsBeside(model, {})).toMatchObject({
      shows: { id: '', name: 'As designed' },
      versions: [{ id: night.id, name: night.name }],
    })
    expect(versionsBeside(model, { variant: night.id })).toMatchObject({ shows: { id: night.id }, versions: [{ id: '' }] })
    const [option] = model.options!
    expect(versionsBeside(model, { without: [option!.id], with: [] }).shows!.name).toBe('As designed, with other options')
  })

  it('stand in it complete, and the booklet opens at each and back', () => {
    expect(booklet.versions!.map(({ id }) => id)).toEqual([night.id])
    const atNight = bundleAt(booklet, night.id)
    const alone = planBooklet(stall, { variant: night.id }).bundle
    expect(atNight.plan).toEqual(alone.plan)
    expect(atNight.views).toEqual(alone.views)
    expect(atNight.versions!.map(({ id }) => id)).toEqual([''])
    expect(bundleAt(atNight, '')).toEqual(booklet)
    expect(bundleAt(booklet, 'none')).toBe(booklet)
  })

  it('say on each step that is not so in all of them where it belongs; the rest is as without versions', () => {
    const plain = planBooklet(stall, {}).bundle
    expect(marked(plain)).toEqual([])
    const told = marked(booklet)
    expect(told.length).toBeGreaterThan(0)
    expect(told.every((line) => line.endsWith('Built so in “As designed” only.'))).toBe(true)
    expect(marked(bundleAt(booklet, night.id)).every((line) => line.endsWith(`Built so in “${night.name}” only.`))).toBe(true)
    // What is marked brings something that the other version has otherwise or not at all.
    const colours = (bundle: Bundle): string[] =>
      makePages(bundle).flatMap((page) => ('callout' in page ? page.callout.map(({ colour }) => colour) : []))
    expect(new Set(colours(booklet))).not.toEqual(new Set(colours(bundleAt(booklet, night.id))))
    expect(makePages(booklet)[0]).toMatchObject({
      remarks: expect.arrayContaining([expect.stringContaining(`“As designed” and “${night.name}”`)]) as unknown,
    })
    expect(spokenText(booklet)).toContain('Built so in “As designed” only.')
  })

  it('are checked when a booklet comes in, like the first', () => {
    const plain = JSON.parse(JSON.stringify(booklet)) as Bundle
    expect(checkBundle(plain)).toEqual(plain)
    const [version] = plain.versions!
    const forged = {
      ...version!,
      plan: booklet.plan,
      model: { ...version!.model, sections: version!.model.sections.map(({ parts, ...rest }) => ({ ...rest, parts: parts?.slice(1) })) },
    }
    expect(() => checkBundle({ ...plain, versions: [forged] })).toThrow(expect.objectContaining({ code: 'bundle-mismatch' }) as Error)
    expect(() => checkBundle({ ...plain, shows: undefined })).toThrow(
      expect.objectContaining({ code: 'not-a-bundle', place: 'shows' }) as Error,
    )
    expect(() => checkBundle({ ...plain, versions: [version, version] })).toThrow(
      expect.objectContaining({ code: 'not-a-bundle' }) as Error,
    )
    const { model: of } = version!
    expect(() => checkBundle({ ...plain, versions: [{ ...version, model: { ...of, root: 'nowhere' } }] })).toThrow(
      expect.objectContaining({ place: 'versions[0].model.root' }) as Error,
    )
  })
})
