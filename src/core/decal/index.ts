/** Decal: pictures on the faces of pieces: which faces there are, where a picture lies, its dots. */
export * from './faces'
export * from './patches'
export * from './fitting'
