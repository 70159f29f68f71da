import { defineCheck } from './check'

/** An option that is in without what it needs, or beside what it rules out. */
export const optionClash = defineCheck({
  code: 'option-clash',
  severity: 'error',
  title: 'Options that do not go together',
  about: 'An option is in, and another that it needs is not, or one that it rules out is in as well.',
  scope: 'model',
  find({ model }) {
    const options = model.options ?? []
    const on = new Map(options.filter((option) => option.on === true).map((option) => [option.id, option]))
    const nameOf = (id: string): string => options.find((option) => option.id === id)?.name ?? id
    return [...on.values()].flatMap(({ name, needs = [], rulesOut = [] }) => [
      ...needs
        .filter((id) => !on.has(id))
        .map((id) => ({ section: model.root, step: null, parts: [], message: `“${name}” needs “${nameOf(id)}”, which is not in.` })),
      ...rulesOut
        .filter((id) => on.has(id))
        .map((id) => ({ section: model.root, step: null, parts: [], message: `“${name}” rules out “${nameOf(id)}”, and both are in.` })),
    ])
  },
})
