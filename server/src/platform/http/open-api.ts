import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import type { INestApplication } from '@nestjs/common';
import { DocumentBuilder, SwaggerModule, type OpenAPIObject } from '@nestjs/swagger';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import { BUILT_FOLDER } from '../config/built.ts';

// Not among the package's typed exports: it is what says which class a nested body is of.
const { defaultMetadataStorage } = createRequire(import.meta.url)('class-transformer/cjs/storage.js') as {
  defaultMetadataStorage: never;
};

const ABOUT =
  'Loads are kg, times s, days YYYY-MM-DD. Changes carry the sign-in’s token, as GET /api/session gives it, in the ' +
  'header x-iron-clasp-token; an API client shows a token instead (Authorization: Bearer …). Log entries carry ids made by the client: the same id with the same content changes ' +
  'nothing, with other content it is refused with 409. Every error answer is a Problem.';

/** The one shape of every error answer. */
const PROBLEM = {
  type: 'object',
  required: ['error'],
  properties: {
    error: {
      type: 'object',
      required: ['code', 'message'],
      properties: {
        code: { type: 'string', description: 'stable, for programs' },
        message: { type: 'string', description: 'what happened, what was kept, what to do' },
        fields: {
          type: 'array',
          items: { type: 'object', properties: { path: { type: 'string' }, message: { type: 'string' } } },
        },
        requestId: { type: 'string', description: 'names the request in the log' },
      },
    },
  },
} as const;

/** The API's reference at /api/docs, as a page and as OpenAPI JSON. Bodies are described by their own validation rules. */
export function serveOpenApi(app: INestApplication): void {
  const config = new DocumentBuilder()
    .setTitle('Iron Clasp')
    .setDescription(ABOUT)
    .setVersion('0.1.0')
    .addCookieAuth('iron_clasp')
    .addBearerAuth({
      type: 'http',
      scheme: 'bearer',
      description: 'A token that an owner made under Club, API',
    })
    .build();
  const describe = (): OpenAPIObject => withRules(SwaggerModule.createDocument(app, config));
  SwaggerModule.setup('api/docs', app, describe, { jsonDocumentUrl: 'api/docs/openapi.json' });
}

type Schemas = NonNullable<NonNullable<OpenAPIObject['components']>['schemas']>;
type Schema = Schemas[string];

/** What the operations answer, as building the server reads it from the controllers' types; null: nothing. */
interface Answers {
  readonly operations: Readonly<Record<string, Schema | null>>;
  readonly schemas: Schemas;
}

const ANSWERS = join(BUILT_FOLDER, 'answers.json');

interface Operation {
  readonly operationId?: string;
  readonly responses?: Record<string, unknown>;
}

function withRules(document: OpenAPIObject): OpenAPIObject {
  const rules = validationMetadatasToSchemas({
    refPointerPrefix: '#/components/schemas/',
    classTransformerMetadataStorage: defaultMetadataStorage,
    // A rule of our own says nothing of its field's type: the others do.
    additionalConverters: { customValidation: () => ({}) },
  }) as Schemas;
  const answers = JSON.parse(readFileSync(ANSWERS, 'utf8')) as Answers;
  for (const methods of Object.values(document.paths)) {
    for (const { operationId = '', responses } of Object.values(methods as Record<string, Operation>)) {
      if (!responses) continue;
      const schema = answers.operations[operationId];
      const [good] = Object.keys(responses);
      if (schema && good)
        responses[good] = { description: 'as asked', content: { [mediaOf(schema)]: { schema } } };
      responses['default'] = REFUSED;
    }
  }
  return {
    ...document,
    components: {
      ...document.components,
      schemas: {
        ...document.components?.schemas,
        ...answers.schemas,
        ...rules,
        Problem: PROBLEM as unknown as Schema,
      },
    },
  };
}

const mediaOf = (schema: Schema): string =>
  'format' in schema && schema.format === 'binary' ? 'application/octet-stream' : 'application/json';

const REFUSED = {
  description: 'refused or failed',
  content: { 'application/json': { schema: { $ref: '#/components/schemas/Problem' } } },
};
