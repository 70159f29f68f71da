import { fileURLToPath } from 'node:url'

export const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url))
export const alias = { '@core': at('./src/core'), '@press': at('./src/press'), '@web': at('./src/web') }
