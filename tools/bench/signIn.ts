/** Signs in as a browser does; its cookies, or null where it was refused or nobody answered. */
export async function signIn(url: string, email: string, password: string): Promise<string | null> {
  const answer = await fetch(`${url}/api/auth/sign-in/email`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: url },
    body: JSON.stringify({ email, password }),
  }).catch(() => null)
  if (!answer?.ok) return null
  return answer.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ')
}
