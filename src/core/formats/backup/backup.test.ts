import { strToU8, unzipSync, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../../tests/support/models'
import { photoAddress, type ModelDocument } from '../../model'
import { readFile } from '../model-file'
import { readBackup, writeBackup } from './backup'

/** A JPEG of one dot, as small as they come; what it holds is not looked at here. */
const jpeg = (mark: number): string =>
  photoAddress(Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0, 4, 0, mark, 0xff, 0xda, 0, 2, mark, 0xff, 0xd9]), 'image/jpeg')

const withPhotos: ModelDocument = {
  ...oneSection([part('a', 'brick-2x2', [0, 0, 0])], [{ add: ['a'], photos: [{ file: jpeg(1), alt: 'One' }] }]),
  name: 'Häuschen/am: See',
  photos: [
    { file: jpeg(2), alt: 'Whole' },
    { file: jpeg(1), alt: 'Again' },
  ],
}
const plain: ModelDocument = { ...oneSection([part('b', 'plate-2x2', [0, 0, 0])]), name: 'Plain' }
const all = {
  made: '2026-01-02T03:04:05.000Z',
  models: [{ model: withPhotos, beside: { order: {} } }, { model: plain }],
  names: 'kind;id\n',
  settings: { a: 1 },
}

describe('a backup', () => {
  it('holds everything, photos once each beside the models, and gives it back the same', () => {
    const zip = writeBackup(all)
    expect(readBackup(zip)).toEqual(all)
    const files = Object.keys(unzipSync(zip))
    expect(files.filter((file) => file.startsWith('photos/'))).toHaveLength(2)
    expect(files).toContain('models/001-Hauschen-am-See.rail.json')
    expect(writeBackup(all)).toEqual(zip)
  })

  it('is read without its head too, as a folder of model files', () => {
    const { 'backup.json': _head, ...rest } = unzipSync(writeBackup(all))
    expect(readBackup(zipSync(rest)).models.map(({ model }) => model.name)).toEqual([withPhotos.name, 'Plain'])
  })

  it('comes in as its first model; what stays behind, and photos that lack, need a person', () => {
    const { model, report, remarks } = readFile(writeBackup(all), 'all.zip')
    expect(model).toEqual(withPhotos)
    expect(report).toEqual({ models: [withPhotos.name, 'Plain'] })
    expect(remarks).toMatchObject([{ said: 'Plain', needsPerson: true }])
    const files = unzipSync(writeBackup({ ...all, models: all.models.slice(0, 1) }))
    delete files['photos/photo-0001.jpg']
    const torn = readFile(zipSync(files), 'all.zip')
    expect(torn.remarks.map(({ said }) => said)).toEqual(['photo-0001.jpg', 'photo-0001.jpg'])
  })

  it('is refused whole where it is none, torn, empty or of another kind', () => {
    expect(() => readBackup(strToU8('no zip'))).toThrow('cannot be unpacked')
    expect(() => readBackup(writeBackup(all).slice(0, 300))).toThrow('cannot be unpacked')
    expect(() => readBackup(zipSync({ 'a.txt': strToU8('a') }))).toThrow('holds no model file')
    expect(() => readBackup(zipSync({ 'backup.json': strToU8('{"format":"other"}') }))).toThrow('of another kind')
    expect(() => readBackup(zipSync({ 'backup.json': strToU8('{') }))).toThrow('broken')
    const head = strToU8(JSON.stringify({ format: 'jump-rail-backup', version: 1, made: '', models: [{ file: 'gone' }] }))
    expect(() => readBackup(zipSync({ 'backup.json': head }))).toThrow('lacks “gone”')
    expect(() => readBackup(zipSync({ 'x.rail.json': strToU8('[]') }))).toThrow('holds no model')
  })
})
