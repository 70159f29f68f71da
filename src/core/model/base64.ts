/** Bytes written in base 64; nothing where the text is no such thing. */
export function fromBase64(text: string): Uint8Array<ArrayBuffer> | undefined {
  let letters: string
  try {
    letters = atob(text)
  } catch {
    return undefined
  }
  const bytes = new Uint8Array(letters.length)
  for (let i = 0; i < letters.length; i++) bytes[i] = letters.charCodeAt(i)
  return bytes
}

/** As many letters as one call takes. */
const PIECE = 0x8000

export function toBase64(bytes: Uint8Array): string {
  let letters = ''
  for (let at = 0; at < bytes.length; at += PIECE) letters += String.fromCharCode(...bytes.subarray(at, at + PIECE))
  return btoa(letters)
}
