import { withoutSecrets } from './request-log.ts';

it.each([
  ['/api/shared/7hG-secret', '/api/shared/…'],
  ['/api/invitations/7hG-secret', '/api/invitations/…'],
  ['/join/7hG-secret?from=mail', '/join/…'],
  ['/shared/7hG-secret', '/shared/…'],
  ['/api/lifters/1/log?before=key', '/api/lifters/1/log'],
])('%s is logged as %s', (url, logged) => expect(withoutSecrets(url)).toBe(logged));
