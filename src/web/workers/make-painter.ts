import { PainterClient } from './painter-client'

/** A painter as the application has it: from a file beside the page. */
export const makePainter = (): PainterClient =>
  new PainterClient((name) => new Worker(new URL('../../workers/painter.worker.ts', import.meta.url), { type: 'module', name }))
