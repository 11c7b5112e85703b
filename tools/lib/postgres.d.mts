export function startPostgres(
  dir: string,
  options?: { readonly settings?: Readonly<Record<string, string>> },
): Promise<{
  readonly url: string;
  readonly data: string;
  readonly stop: () => void;
  readonly remove: () => void;
}>;
