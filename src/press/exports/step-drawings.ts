import type { BookletExport } from './booklet-export'

export const stepDrawings: BookletExport = {
  id: 'step-drawings',
  title: 'Each step in 3D',
  extension: '.zip',
  mediaType: 'application/zip',
  about: 'A drawing for each step, to be turned in any viewer of .glb files: what was there, and what is new.',
  suffix: 'steps',
  async write({ bundle, progress }) {
    const { writeStepDrawings } = await import('../step-drawings')
    return writeStepDrawings(bundle, progress)
  },
}
