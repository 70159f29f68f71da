/** Words: what sentences and tables are made with. */
export * from './directions'
export * from './list'
export * from './plural'
export * from './table'
export * from './file-text'
export * from './json-text'
