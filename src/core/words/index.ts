/** Words: what sentences are made with. */
export * from './plural'
