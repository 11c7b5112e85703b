import { createServer, type Server } from 'node:https';
import { isIP } from 'node:net';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { Config } from './platform/config/config.ts';
import { givenCertificate, ownCertificate, type Certificate } from './platform/tls/authority.ts';
import { isLoopback, namesOfMachine } from './platform/tls/names.ts';
import type { SecureWays } from './platform/http/secure-ways.ts';

/** How the process is reached: by plain http, and by https beside it where it is told to. */
export interface Reach {
  readonly certificate: Certificate | undefined;
  readonly ways: SecureWays;
}

/** Finds or makes the certificate that the configuration asks for; none where https is somebody else's, or nobody needs it. */
export function reachOf({ tls, host, httpsPort }: Config, now: Date): Reach {
  if (!tls) return { certificate: undefined, ways: { addresses: [], authority: undefined } };
  // Where it listens to this machine alone, only names that were given lead to it, by whatever passes them on.
  const names = isLoopback(host) ? [...tls.names, 'localhost'] : namesOfMachine(tls.names);
  const certificate =
    'folder' in tls ? ownCertificate(join(tls.folder), names, now) : givenCertificate(tls.cert, tls.key, now);
  const port = httpsPort === 443 ? '' : `:${httpsPort}`;
  const addresses = names.map((name) => `https://${isIP(name) === 6 ? `[${name}]` : name}${port}`);
  return { certificate, ways: { addresses, authority: certificate.authority } };
}

/** Listens as configured; what came by https is served by the same application. */
export async function listen(
  app: NestExpressApplication,
  config: Config,
  { certificate }: Reach,
): Promise<Server | undefined> {
  await app.listen(config.port, config.host);
  if (!certificate) return undefined;
  const { key, cert } = certificate;
  const server = createServer({ key, cert }, app.getHttpAdapter().getInstance());
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(config.httpsPort, config.host, resolve);
  });
  return server;
}
