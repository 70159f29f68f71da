import { clashSaid, optionClashes } from '../model'
import { defineCheck } from './check'

/** An option that is in without what it needs, or beside what it rules out. */
export const optionClash = defineCheck({
  code: 'option-clash',
  severity: 'error',
  about: 'An option is in, and another that it needs is not, or one that it rules out is in as well.',
  scope: 'model',
  find: ({ model }) => optionClashes(model).map((clash) => ({ section: model.root, step: null, parts: [], said: clashSaid(clash) })),
})
