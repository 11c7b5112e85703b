export function startDevice(
  root: string,
  options?: { readonly port?: number; readonly args?: readonly string[] },
): Promise<{ port: number | undefined; why?: string; stop: () => Promise<void> }>;
