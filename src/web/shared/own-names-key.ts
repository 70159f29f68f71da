import { inject, type InjectionKey } from 'vue'

/** What the designer calls a shape or colour, to stand beside our name; empty when there is nothing to say. */
export type Beside = (kind: 'shape' | 'colour', id: string) => string

export const OWN_NAMES: InjectionKey<Beside> = Symbol('own names')

/** Where nothing is provided, as in what other builders open, our names stand alone. */
export const useBeside = (): Beside => inject(OWN_NAMES, undefined) ?? (() => '')
