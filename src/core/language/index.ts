/** Language: every sentence that a builder reads, in each language of the booklets, and the names of pieces and colours. */
export * from './languages'
export * from './words'
export * from './load'
export * from './said'
export * from './advice'
export * from './load-advice'
