/** Names in a file may hold what a terminal takes for orders: they are shown, not obeyed. */
// eslint-disable-next-line no-control-regex
const CONTROL = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u2028\u2029\u202a-\u202e\u2066-\u2069]/g
const shown = (sign: string): string => `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0')}`

/** A line for the person, on standard error. */
export const say = (line: string): void => {
  process.stderr.write(`${line.replace(CONTROL, shown)}\n`)
}

/** A result, on standard output. */
export const print = (value: unknown): void => {
  process.stdout.write(`${JSON.stringify(value, null, 1)}\n`)
}
