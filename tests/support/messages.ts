/** Messages by room and key, as their files hold them. */
type MessageFile = Readonly<Record<string, Readonly<Record<string, string>>>>

/** The messages of a file by path, "rail.split". */
export const messagesByPath = (file: MessageFile): ReadonlyMap<string, string> =>
  new Map(Object.entries(file).flatMap(([room, all]) => Object.entries(all).map(([key, text]) => [`${room}.${key}`, text] as const)))

/** What must be the same of a message in every language: what it is about, in how many forms, and the space around it. */
export const shapeOfMessage = (text: string) => ({
  about: [...new Set([...text.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!))].sort(),
  forms: text.split(' | ').length,
  isJoined: [/^\s/.test(text), /\s$/.test(text)],
})
