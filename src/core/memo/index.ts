/** Memo: the one way in which derived values are kept, by object or by section. */
export * from './memo'
export * from './derived-tables'
