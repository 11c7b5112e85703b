import type { INestApplication } from '@nestjs/common';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';

/** The API's reference at /api/docs, as a page and as OpenAPI JSON. */
export function serveOpenApi(app: INestApplication): void {
  const config = new DocumentBuilder()
    .setTitle('Iron Clasp')
    .setDescription(
      'Loads are kg, times s, days YYYY-MM-DD. Changes carry the sign-in’s token in x-iron-clasp-token. ' +
        'Errors are { error: { code, message, fields?, requestId? } }.',
    )
    .setVersion('0.1.0')
    .addCookieAuth('iron_clasp')
    .build();
  SwaggerModule.setup('api/docs', app, () => SwaggerModule.createDocument(app, config), {
    jsonDocumentUrl: 'api/docs/openapi.json',
  });
}
