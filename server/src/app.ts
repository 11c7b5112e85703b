import 'reflect-metadata';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import compression from 'compression';
import cookieParser from 'cookie-parser';
import { AppModule } from './app.module.ts';
import { Clock } from './platform/clock/clock.ts';
import type { Config } from './platform/config/config.ts';
import { jsonBodies } from './platform/http/bodies.ts';
import { noStore } from './platform/http/no-store.ts';
import { serveOpenApi } from './platform/http/open-api.ts';
import { requestLog } from './platform/http/request-log.ts';
import { secureWays, type SecureWays } from './platform/http/secure-ways.ts';
import { securityHeaders } from './platform/http/security-headers.ts';
import { tellTime } from './platform/http/tell-time.ts';
import { serveWeb } from './platform/http/web-pages.ts';

/** Builds the application, migrated and ready to listen. */
export async function createApp(config: Config, ways: SecureWays): Promise<NestExpressApplication> {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(config), {
    logger: config.logLevel === 'silent' ? false : ['error', 'warn'],
    abortOnError: false,
    // Bodies are read by our own limits.
    bodyParser: false,
  });
  prepare(app, config, ways);
  return app;
}

/** Everything around the modules: headers, cookies, logs, limits, reference, pages. */
export function prepare(app: NestExpressApplication, config: Config, ways: SecureWays): void {
  app.disable('x-powered-by');
  app.set('trust proxy', config.trustProxy);
  app.use(requestLog(config.logLevel));
  app.use(securityHeaders());
  app.use(secureWays(ways));
  app.use(tellTime(app.get(Clock)));
  app.use(noStore());
  app.use(compression());
  app.use(cookieParser());
  app.use(jsonBodies());
  app.setGlobalPrefix('api');
  serveOpenApi(app);
  if (config.webRoot) serveWeb(app, config.webRoot);
  app.enableShutdownHooks();
}
