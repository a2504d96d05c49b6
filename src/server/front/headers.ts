/** What every answer says to the browser.
 *  Sources: OWASP ASVS 5.0 chapter 3 (web frontend security), OWASP Secure Headers Project. */
export function securityHeaders(
  path: string,
  { isSecure, hasOwnFiles }: { isSecure: boolean; hasOwnFiles: boolean },
): Record<string, string> {
  const isAsset = path.startsWith('/_next/static/')
  return {
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
    'permissions-policy': 'camera=(self), geolocation=(), microphone=(), payment=(), usb=(), browsing-topics=()',
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
    'x-frame-options': 'DENY',
    // Enforced: nobody frames us, nothing is sent elsewhere. Reported only: the rest, until the validators are made at build time.
    'content-security-policy': "frame-ancestors 'none'; form-action 'self'; base-uri 'none'; object-src 'none'",
    'content-security-policy-report-only':
      "default-src 'self'; script-src 'self' 'unsafe-inline'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; worker-src 'self' blob:",
    // A promise that a made authority cannot keep once it is thrown away: only with files that were given.
    ...(isSecure && hasOwnFiles && { 'strict-transport-security': 'max-age=31536000' }),
    // What was made for one person is kept by nobody on the way, nor by the browser after signing out.
    ...(!isAsset && { 'cache-control': 'no-store' }),
  }
}
