/**
 * Signs in by the API, as the demo's coach where nobody is named.
 * @returns what goes with every request that follows, and when it was there: the server's clock may stand at another day than the
 * machine's.
 */
export async function signIn(url, who) {
  const { email, password } = who ?? (await (await fetch(`${url}/api/welcome`)).json()).demo;
  const answer = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email, password }),
  });
  if (!answer.ok) throw new Error(`Not signed in: ${answer.status} ${await answer.text()}`);
  const cookie = answer.headers.getSetCookie()[0].split(';')[0];
  const { token } = await answer.json();
  const headers = { cookie, 'x-iron-clasp-token': token, 'content-type': 'application/json' };
  return { headers, date: answer.headers.get('date') };
}
