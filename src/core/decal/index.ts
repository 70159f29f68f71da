/** Decal: pictures on the faces of pieces: which faces there are, where a picture lies, its dots. */
export { faceOf, facesOf } from './faces'
export * from './mirrored-work'
export * from './patches'
export * from './fitting'
