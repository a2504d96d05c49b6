/** What must not stand in any output of the server: the parameters of a query, the tokens of sessions and links, passwords.
 *  Each with what stands in its place. */
const SECRETS: readonly (readonly [RegExp, string])[] = [
  [/(\bparams: )[^\n]*/g, '$1(left out)'],
  [/(\bparameters: )\[[^\]]*\]/g, '$1(left out)'],
  [
    /((?:better-auth\.)?(?:session_token|session_data|two_factor|trust_device|better-auth-passkey)\s*[=:]\s*)[^;\s,"']+/gi,
    '$1(left out)',
  ],
  [
    /("?(?:password|newPassword|currentPassword|token|secret|backupCodes?)"?\s*[:=]\s*)("[^"]*"|'[^']*'|[^\s,;&}]+)/gi,
    '$1(left out)',
  ],
  [/([?&](?:token|callbackURL|code)=)[^&\s"']+/gi, '$1(left out)'],
  [/(\/(?:join|shared|reset-password)\/)[^\s"'?]+/gi, '$1(left out)'],
  [/(postgres(?:ql)?:\/\/[^:\s/]+:)[^@\s]+@/g, '$1(left out)@'],
  [/(authorization: )[^\n]+/gi, '$1(left out)'],
]

/** A text without its secrets. */
export const scrub = (text: string): string =>
  SECRETS.reduce((clean, [secret, instead]) => clean.replace(secret, instead), text)

type Write = (chunk: string | Uint8Array, ...rest: readonly unknown[]) => boolean
type Output = { write: Write }

/** From now on nothing is written to this process’s output that was not scrubbed. */
export function scrubOutput(streams: readonly Output[] = [process.stdout as Output, process.stderr as Output]): void {
  for (const stream of streams) {
    const write = stream.write.bind(stream)
    stream.write = (chunk, ...rest) =>
      write(scrub(typeof chunk === 'string' ? chunk : Buffer.from(chunk).toString('utf8')), ...rest)
  }
}
