/** Form: what a mesh is from its six sides, and which shapes of the catalogue look so. */
export { alikeFits, fitsOf, formSymmetry, type FormFit } from './recognise'
export { extentOf, shapeExtent, transformed, type Triangles } from './triangles'
export { columnBoxes } from './column-boxes'
