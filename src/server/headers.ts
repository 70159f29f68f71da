/** Scripts from here only; workers may come from what a page made itself; the interface library writes styles. */
export const contentPolicy = (scripts: string): string =>
  [
    "default-src 'self'",
    `script-src ${scripts} 'wasm-unsafe-eval'`,
    "worker-src 'self' blob:",
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ')

/** What no page of ours asks for. */
const PERMISSIONS = 'camera=(), microphone=(self), geolocation=(), payment=(), usb=(), serial=(), browsing-topics=()'

/** On every answer, whoever makes it: ours, the framework's, or the parser's for what is no request at all. */
export const COMMON_HEADERS: Readonly<Record<string, string>> = {
  'content-security-policy': contentPolicy("'self'"),
  'permissions-policy': PERMISSIONS,
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'x-frame-options': 'DENY',
}
