import type { FastifyInstance } from 'fastify'

/** Which methods an address takes, in order; none where there is nothing at it. */
export type MethodsAt = (path: string) => string[]

/** Notes all routes that are added from here on, but for the files of the application. */
export function noteRoutes(server: FastifyInstance): { methodsAt: MethodsAt; patterns: () => ReadonlyMap<string, ReadonlySet<string>> } {
  const noted = new Map<string, Set<string>>()
  server.addHook('onRoute', ({ url, method }) => {
    if (url.includes('*')) return
    const methods = noted.get(url) ?? new Set()
    noted.set(url, methods)
    for (const each of [method].flat()) methods.add(each)
  })
  const methodsAt: MethodsAt = (path) => {
    const found = [...noted].filter(([url]) => new RegExp(`^${url.replace(/:[a-z]+/gi, '[^/]+')}$`).test(path))
    return [...new Set(found.flatMap(([, methods]) => [...methods]))].sort()
  }
  return { methodsAt, patterns: () => noted }
}
