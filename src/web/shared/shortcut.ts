const SIGNS: Readonly<Record<string, string>> = { Comma: '<', Period: '>' }

/**
 * The letter or sign a shortcut is known by. A keyboard that writes other letters (Cyrillic, Greek, Hebrew) has the same keys
 * in the same places, so the place says which is meant.
 */
export function shortcutOf({ key, code, shiftKey }: Pick<KeyboardEvent, 'key' | 'code' | 'shiftKey'>): string {
  if (key.length > 1) return key
  if (/^[\x21-\x7e]$/.test(key)) return key.toLowerCase()
  if (/^Key[A-Z]$/.test(code)) return code.slice(3).toLowerCase()
  return shiftKey ? (SIGNS[code] ?? key) : key
}

/** Whether a key was pressed where text is written: then it is a letter. */
export const isTyping = (event: Event): boolean =>
  event.target instanceof Element &&
  event.target.closest('textarea, select, input:not([type=checkbox]):not([type=radio]):not([type=range])') !== null
