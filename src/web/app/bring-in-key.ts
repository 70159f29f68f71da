import type { InjectionKey } from 'vue'

/** Brings files in and tells what came of each. */
export const BRING_IN: InjectionKey<(files: Iterable<File>) => Promise<void>> = Symbol('bring in')
