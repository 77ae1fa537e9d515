/**
 * Signs in at a Cadro that holds the demo's family, as any program does.
 * @param url of the server
 * @param name of the family, as `maren`
 * @returns the cookie
 */
export async function signIn(url, name) {
  const answer = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: url },
    body: JSON.stringify({ email: `${name}@aldervane.example`, password: 'tide-and-lantern' }),
  });
  // The session is kept when the answer has ended.
  await answer.text();
  if (!answer.ok) throw new Error(`${name} could not sign in: ${answer.status}`);
  return answer.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ');
}
