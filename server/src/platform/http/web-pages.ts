import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { NextFunction, Request, Response } from 'express';
import files from 'express-static-gzip';

/** Serves the built web application: hashed assets for ever, the page itself always fresh, every address its own page. */
export function serveWeb(app: NestExpressApplication, webRoot: string): void {
  const page = join(webRoot, 'index.html');
  if (!existsSync(page))
    throw new Error(`There is no built web application in ${webRoot}: run \`npm run build\` first.`);
  // The build lays compressed files beside these: to compress them anew for every visit is what a first page would wait for.
  const assets = files(join(webRoot, 'assets'), {
    ...{ index: false, enableBrotli: true, orderPreference: ['br', 'gzip'] },
    serveStatic: { immutable: true, maxAge: '365d', fallthrough: false },
  });
  app.use('/assets', assets);
  app.useStaticAssets(webRoot, { index: false, maxAge: 0 });
  app.use((request: Request, response: Response, next: NextFunction) => {
    const wantsPage =
      request.method === 'GET' && !request.path.startsWith('/api/') && request.accepts('html');
    if (!wantsPage) return next();
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(page);
  });
}
