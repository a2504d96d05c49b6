/** Where the front tells the application the mark of this answer. */
export const NONCE_HEADER = 'x-nonce'

/** What a page may load and run: our own files, and of inline scripts those alone that carry this answer's mark. Nothing is compiled from text.
 *  Styles may stand in the page: the components put theirs there.
 *  Source: W3C Content Security Policy Level 3. */
export const contentPolicy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "frame-ancestors 'none'",
    "form-action 'self'",
    "base-uri 'none'",
    "object-src 'none'",
  ].join('; ')

/** What every answer says to the browser.
 *  Sources: OWASP ASVS 5.0 chapter 3 (web frontend security), OWASP Secure Headers Project. */
export function securityHeaders(
  path: string,
  { isSecure, hasOwnFiles, nonce }: { isSecure: boolean; hasOwnFiles: boolean; nonce: string },
): Record<string, string> {
  const isAsset = path.startsWith('/_next/static/')
  return {
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
    'permissions-policy': 'camera=(self), geolocation=(), microphone=(), payment=(), usb=(), browsing-topics=()',
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
    'x-frame-options': 'DENY',
    'content-security-policy': contentPolicy(nonce),
    // A promise that a made authority cannot keep once it is thrown away: only with files that were given.
    ...(isSecure && hasOwnFiles && { 'strict-transport-security': 'max-age=31536000' }),
    // What was made for one person is kept by nobody on the way, nor by the browser after signing out.
    ...(!isAsset && { 'cache-control': 'no-store' }),
  }
}
