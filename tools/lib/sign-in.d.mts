/** Signs in by the API, as the demo's coach where nobody is named; what goes with every request that follows. */
export function signIn(
  url: string,
  who?: { readonly email: string; readonly password: string },
): Promise<{
  readonly headers: { readonly cookie: string } & Record<string, string>;
  readonly date: string | null;
}>;
