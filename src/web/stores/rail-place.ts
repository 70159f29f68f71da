import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

/** A step of a model, by ids, so that it stays when lanes come and go. */
export interface RailPlace {
  readonly section: string
  /** From 0. */
  readonly step: number
}

/** Where the person is on the rail of each model: in the address, and while other screens are looked at. */
export const useRailPlace = defineStore('rail-place', () => {
  const places = shallowRef<Readonly<Record<string, RailPlace>>>({})

  const of = (model: string): RailPlace | undefined => places.value[model]
  function keep(model: string, place: RailPlace): void {
    places.value = { ...places.value, [model]: place }
  }
  /** As it stands in the address; steps are counted from 1 there. */
  function queryOf(model: string): { section?: string; step?: string } {
    const place = of(model)
    return place ? { section: place.section, step: String(place.step + 1) } : {}
  }
  /** Reads an address; nonsense in it leads to the beginning. */
  function placeFrom(query: Readonly<Record<string, unknown>>): RailPlace | undefined {
    const { section, step } = query
    if (typeof section !== 'string') return undefined
    const number = Number(step ?? 1)
    return { section, step: Number.isInteger(number) && number > 0 ? number - 1 : 0 }
  }
  return { of, keep, queryOf, placeFrom }
})
