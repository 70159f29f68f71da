import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { Catalogue } from '@core/catalogue'
import { faultLine, plainFault } from '@core/fault'
import { aliasText, readAliases, writeAliases, type Alias } from '@core/names'
import { useLibrary } from '../storage/open-library'

/** What the designer calls shapes and colours: kept in this browser, brought in and taken out as a table. */
export const useOwnNames = defineStore('own-names', () => {
  const aliases = shallowRef<readonly Alias[]>([])
  const isShown = ref(true)
  const problem = ref('')
  let loading: Promise<void> | undefined

  const load = (): Promise<void> =>
    (loading ??= useLibrary()
      .then((library) => library.ownNames())
      .then(
        (kept) => {
          aliases.value = kept.aliases
          isShown.value = kept.isShown
        },
        (thrown: unknown) => {
          problem.value = `Your names could not be read. ${faultLine(plainFault(thrown))}`
        },
      ))

  async function keep(): Promise<void> {
    problem.value = ''
    try {
      await (await useLibrary()).keepOwnNames({ aliases: aliases.value, isShown: isShown.value })
    } catch (thrown) {
      problem.value = `Your names were not saved. ${faultLine(plainFault(thrown))}`
    }
  }

  /** Sets what one shape or colour is called; empty texts take it away. */
  async function name(alias: Alias): Promise<void> {
    await load()
    const rest = aliases.value.filter(({ kind, id }) => kind !== alias.kind || id !== alias.id)
    aliases.value = alias.name === '' && alias.number === '' ? rest : [...rest, alias]
    await keep()
  }

  async function replaceAll(next: readonly Alias[]): Promise<void> {
    await load()
    aliases.value = next
    await keep()
  }

  async function show(value: boolean): Promise<void> {
    isShown.value = value
    await keep()
  }

  /** @throws Fault where the table is refused; nothing changes then */
  const importTable = (text: string, catalogue: Catalogue): Promise<void> => replaceAll(readAliases(text, catalogue))
  const exportTable = (): string => writeAliases(aliases.value)

  /** What stands beside our name in trays: empty when there is none, or when they are switched off. */
  const beside = (kind: Alias['kind'], id: string): string => (isShown.value ? aliasText(aliases.value, kind, id) : '')
  const find = (kind: Alias['kind'], id: string): Alias | undefined => aliases.value.find((alias) => alias.kind === kind && alias.id === id)

  return { aliases, isShown, problem, load, name, replaceAll, show, importTable, exportTable, beside, find }
})
