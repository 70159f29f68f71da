import { inject, type InjectionKey, type ShallowRef } from 'vue'
import type { Catalogue } from '@core/catalogue'
import type { PainterClient } from '../workers/painter-client'

/** What pictures on a screen are painted from; `version` rises when the source changes. */
export interface PaintSource {
  readonly painter: PainterClient
  readonly catalogue: Catalogue
  readonly version: number
}

export const PAINT_SOURCE: InjectionKey<Readonly<ShallowRef<PaintSource | null>>> = Symbol('paint source')

export function usePaintSource(): Readonly<ShallowRef<PaintSource | null>> {
  const source = inject(PAINT_SOURCE)
  if (!source) throw new Error('no paint source is provided')
  return source
}
