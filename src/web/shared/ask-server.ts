import { Fault, faultFrom, type PlainFault } from '@core/fault'

/** What a request carries beside its address. */
export interface RequestParts {
  readonly body?: unknown
  readonly token?: string
  readonly password?: string
}

/**
 * Asks the server that this page came from.
 * @param path below `/api`
 * @throws Fault what the server refuses, `no-server` where none answers
 */
export async function askServer<T>(method: string, path: string, { body, token, password }: RequestParts = {}): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(token === undefined ? {} : { authorization: `Bearer ${token}` }),
        ...(password === undefined ? {} : { 'x-booklet-password': encodeURIComponent(password) }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
  } catch {
    throw new Fault('no-server', 'The server does not answer.', { wayOut: 'Try again when you are online.' })
  }
  if (response.status === 204) return undefined as T
  const answer = (await response.json().catch(() => undefined)) as (T & Partial<PlainFault>) | undefined
  if (response.ok && answer !== undefined) return answer
  throw faultFrom({ code: 'unexpected', message: `The server answered ${response.status}.`, ...answer })
}
