/** Reading: where else a part could be put, and whether the picture of its step would tell. */
export * from './other-places'
export * from './misreadable'
