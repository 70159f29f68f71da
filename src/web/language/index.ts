/** Language: every sentence of the designer's screens, in each language, and the one that they speak. */
export * from './screen-words'
export * from './fault-words'
export { screenAdvice } from './screen-advice'
