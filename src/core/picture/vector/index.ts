/** Pictures as areas and lines: faces in painter's order, edges that show, and their text as SVG. */
export * from './drawing'
export { drawComposition } from './draw'
export { FINEST, stepsOf, writeSvg } from './svg'
