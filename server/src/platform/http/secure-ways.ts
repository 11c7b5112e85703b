import type { ErrorView } from '@iron-clasp/contract';
import type { NextFunction, Request, RequestHandler, Response } from 'express';
import { toDataURL } from 'qrcode';
import { isLoopback } from '../tls/names.ts';
import { escaped, plainPage } from './plain-page.ts';

/** How the machine is reached by https. */
export interface SecureWays {
  /** Addresses to open, the easiest to type first; empty where it serves no https itself. */
  readonly addresses: readonly string[];
  /** The authority that a device has to trust first, PEM; undefined where it does already. */
  readonly authority: string | undefined;
}

const TRUST = '/trust';
const AUTHORITY_FILE = '/trust/iron-clasp.crt';
/** What a plain page loads, and what watches over the server. */
const OPEN = /^\/(plain\.css|mark\.svg|assets\/.*|api\/(health|welcome))$/;

/**
 * Keeps the application from half-working where it cannot: without https a browser gives a page of another machine no ids,
 * no offline store and no wake lock. Such a page says what is missing and how to get it.
 */
export function secureWays(ways: SecureWays): RequestHandler {
  return (request: Request, response: Response, next: NextFunction) => {
    if (request.method === 'GET' && request.path === AUTHORITY_FILE && ways.authority) {
      response.type('application/x-x509-ca-cert').send(Buffer.from(ways.authority));
      return;
    }
    if (request.method === 'GET' && request.path === TRUST) {
      void trustPage(ways).then((page) => response.type('html').send(page), next);
      return;
    }
    if (request.secure || isLoopback(request.hostname ?? '') || OPEN.test(request.path)) return next();
    if (request.path.startsWith('/api/')) {
      const refused: ErrorView = {
        error: { code: 'needs-https', message: 'Iron Clasp is reached by https here. Open /trust for how.' },
      };
      response.status(403).json(refused);
      return;
    }
    response.status(403).type('html').send(missingPage(ways));
  };
}

const link = (address: string, words = address): string =>
  `<a href="${escaped(address)}">${escaped(words)}</a>`;

function missingPage({ addresses }: SecureWays): string {
  const [first] = addresses;
  return plainPage(
    'This address is not safe enough',
    first
      ? `<p>Browsers let a page log without a network, keep the screen awake and sign in safely only over https, and this
address is plain http.</p>
<p>Use ${link(first)} instead. A device that has not been here before has to ${link(TRUST, 'trust this machine')} first; that takes
a minute and is done once.</p>`
      : `<p>Browsers let a page log without a network, keep the screen awake and sign in safely only over https, and this
address is plain http.</p>
<ul>
  <li>On the machine that runs Iron Clasp itself, open it by <b>localhost</b>.</li>
  <li>For other devices, start it with <code>IRON_CLASP_HOST=0.0.0.0 npm start</code>: it then makes its own certificate and prints
    the address to open.</li>
  <li>Behind a proxy that speaks https, start it with <code>IRON_CLASP_TRUST_PROXY=1</code>, and let the proxy pass on
    <code>X-Forwarded-Proto</code>. docs/hosting.md has it line by line.</li>
</ul>`,
  );
}

async function trustPage({ addresses, authority }: SecureWays): Promise<string> {
  const [first] = addresses;
  if (!first) return missingPage({ addresses, authority });
  const code = await toDataURL(first, { margin: 2, width: 220 });
  const open = `<h2>${authority ? '3. ' : ''}Open it and install it</h2>
<p>Open ${addresses
    .slice(0, 4)
    .map((each) => link(each))
    .join(' or ')}, or point the camera here:</p>
<p><img src="${code}" width="220" height="220" alt="${escaped(first)}" /></p>
<p>Sign in. In the browser’s menu choose “Add to home screen” or “Install”: from then on it opens like any app, without a network
too.</p>`;
  if (!authority) return plainPage('Open Iron Clasp on this device', open);
  return plainPage(
    'Let this device trust the gym’s machine',
    `<p>Iron Clasp runs on a machine of the club. Its certificate is vouched for by an authority of its own, which this device has to
be told of once. Do this only on the network of your club.</p>
<h2>1. Load the authority</h2>
<p>${link(AUTHORITY_FILE, 'Load iron-clasp.crt')}</p>
<h2>2. Trust it</h2>
<dl>
  <dt>iPhone, iPad</dt>
  <dd>Settings, “Profile downloaded”, Install. Then Settings, General, About, Certificate Trust Settings: switch on “Iron Clasp of this
    club”.</dd>
  <dt>Android</dt>
  <dd>Settings, Security, More, Encryption and credentials, Install a certificate, CA certificate; choose the file.</dd>
  <dt>Windows</dt>
  <dd>Open the file, Install Certificate, Current User, place it in “Trusted Root Certification Authorities”.</dd>
  <dt>Mac</dt>
  <dd>Open the file; in Keychain Access open “Iron Clasp of this club”, Trust, Always Trust.</dd>
  <dt>Linux, Firefox anywhere</dt>
  <dd>In the browser’s settings search for “certificates”, Authorities, Import; trust it for websites.</dd>
</dl>
${open}`,
  );
}
