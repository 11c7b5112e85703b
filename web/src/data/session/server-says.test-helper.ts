/** What the server says from now on, whatever it is asked: the page of the tests has no answers of its own. */
export function serverSays(status: number, body: object = {}): void {
  globalThis.fetch = (() =>
    Promise.resolve({
      ...{ ok: status < 300, status, headers: new Headers() },
      json: () => Promise.resolve(body),
    })) as unknown as typeof fetch;
}

/** Somebody is signed in, for the club's pages or for the lifter's own. */
export const saysWhoIsHere = (lifterId: string | null): void =>
  serverSays(200, { token: 'told', account: { lifterId } });
