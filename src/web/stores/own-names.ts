import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { Catalogue } from '@core/catalogue'
import { plainFault } from '@core/fault'
import { aliasText, readAliases, writeAliases, type Alias } from '@core/names'
import { faultText, say } from '../language'
import type { OwnNames } from '../storage/database'
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
          problem.value = say('stores.yourNamesCouldNotBe', { fault: faultText(plainFault(thrown)) })
        },
      ))

  let last: Promise<void> = Promise.resolve()

  /** Writes first, then shows: what is on the screen is still there after a reload. One change after another. */
  function keep(make: (now: OwnNames) => OwnNames): Promise<void> {
    last = last.then(async () => {
      await load()
      problem.value = ''
      const next = make({ aliases: aliases.value, isShown: isShown.value })
      try {
        await (await useLibrary()).keepOwnNames(next)
        aliases.value = next.aliases
        isShown.value = next.isShown
      } catch (thrown) {
        problem.value = say('stores.yourNamesWereNotSaved', { fault: faultText(plainFault(thrown)) })
      }
    })
    return last
  }

  /** Sets the name or the number of one shape or colour; one without both is taken away. */
  const name = (kind: Alias['kind'], id: string, part: Partial<Pick<Alias, 'name' | 'number'>>): Promise<void> =>
    keep((now) => {
      const isOther = (alias: Alias): boolean => alias.kind !== kind || alias.id !== id
      const before = now.aliases.find((alias) => !isOther(alias)) ?? { kind, id, name: '', number: '' }
      const alias = { ...before, ...part }
      const rest = now.aliases.filter(isOther)
      return { ...now, aliases: alias.name === '' && alias.number === '' ? rest : [...rest, alias] }
    })
  const replaceAll = (next: readonly Alias[]): Promise<void> => keep((now) => ({ ...now, aliases: next }))
  const show = (value: boolean): Promise<void> => keep((now) => ({ ...now, isShown: value }))

  /** @throws Fault where the table is refused; nothing changes then */
  const importTable = (text: string, catalogue: Catalogue): Promise<void> => replaceAll(readAliases(text, catalogue))
  const exportTable = (): string => writeAliases(aliases.value)

  /** What stands beside our name in trays: empty when there is none, or when they are switched off. */
  const beside = (kind: Alias['kind'], id: string): string => (isShown.value ? aliasText(aliases.value, kind, id) : '')
  const find = (kind: Alias['kind'], id: string): Alias | undefined => aliases.value.find((alias) => alias.kind === kind && alias.id === id)

  return { aliases, isShown, problem, load, name, replaceAll, show, importTable, exportTable, beside, find }
})
