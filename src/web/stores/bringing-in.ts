import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { Fault } from '@core/fault'
import { LIMITS } from '@core/model'
import type { ReadChoices } from '../../workers/plan-messages'
import type { StoredModel } from '../storage/library'
import { useLibrary } from '../storage/open-library'
import { useOwnNames } from './own-names'
import { useReadingFile, type OpenedFile } from './reading-file'

/** Files that only stand beside another. */
const BESIDE = /\.(bin|png|jpe?g|webp)$/i
const isTooLarge = ({ size }: File): boolean => size > LIMITS.fileBytes

/** Files as they are looked at; what only stands beside another is handed to each. */
async function opened(files: readonly File[]): Promise<OpenedFile[]> {
  const all = await Promise.all(files.map(async (file) => ({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })))
  const neighbours = new Map(all.filter(({ name }) => BESIDE.test(name)).map(({ name, bytes }) => [name, bytes]))
  return all.filter(({ name }) => !BESIDE.test(name) || all.length === 1).map((file) => ({ ...file, neighbours }))
}

/** Bringing in: one file after another is read, looked at, mended, and stored only when that is asked for. */
export const useBringingIn = defineStore('bringing-in', () => {
  const waiting = shallowRef<readonly OpenedFile[]>([])
  const file = shallowRef<OpenedFile>()
  const names = useOwnNames()
  const reading = useReadingFile(file, () => names.aliases)

  /** @throws Fault `too-large` for one that is; the others are looked at all the same */
  async function add(files: Iterable<File>): Promise<void> {
    const all = [...files]
    waiting.value = [...waiting.value, ...(await opened(all.filter((each) => !isTooLarge(each))))]
    if (!file.value) await next()
    const large = all.find(isTooLarge)
    if (large)
      throw new Fault('too-large', 'The file is larger than 64 MiB.', { place: large.name, wayOut: 'Split the model into several files.' })
  }

  /** Text typed or pasted, read as a log. */
  async function addText(text: string): Promise<void> {
    waiting.value = [{ name: 'Log.txt', bytes: new TextEncoder().encode(text), neighbours: new Map() }, ...waiting.value]
    if (!file.value) await next()
  }

  async function next(): Promise<void> {
    const [first, ...rest] = waiting.value
    waiting.value = rest
    file.value = first
    reading.forget()
    await reading.read()
  }

  function choose(more: ReadChoices): Promise<void> {
    reading.choices.value = { ...reading.choices.value, ...more }
    return reading.read()
  }

  /** The file with other bytes, as it was mended here; the one on the disk stays as it is. */
  function mend(bytes: Uint8Array): Promise<void> {
    if (file.value) file.value = { ...file.value, bytes }
    return reading.read()
  }

  /** Stores what is shown. @throws Fault; then nothing has changed */
  async function accept(): Promise<StoredModel | undefined> {
    const found = reading.preview.value
    if (!found) return undefined
    const stored = await (await useLibrary()).add(found.name, found.bytes)
    await next()
    return stored
  }

  const left = computed(() => waiting.value.length)
  return { ...reading, file: computed(() => file.value), left, add, addText, choose, mend, accept, skip: next }
})
