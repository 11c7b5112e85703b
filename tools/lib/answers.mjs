import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Decorators that make a method of a controller answer requests. */
const VERBS = new Set(['Get', 'Post', 'Put', 'Patch', 'Delete']);

/**
 * Describes what the API answers, read from the types that the controllers promise: the types are erased when the server is
 * compiled, so that the reference could not tell of them otherwise.
 * @returns `operations`: the schema of each operation by its id, as `RackController_page`, null where the answer is empty;
 * `schemas`: the types of the contract that they are made of.
 */
export async function describeAnswers(root) {
  const { default: ts } = await import('typescript');
  const { createGenerator } = await import('ts-json-schema-generator');
  const generator = createGenerator({
    path: join(root, 'contract', 'src', 'index.ts'),
    tsconfig: join(root, 'contract', 'tsconfig.json'),
    // The types have a check of their own.
    skipTypeCheck: true,
    expose: 'export',
    topRef: true,
  });
  const operations = {};
  const schemas = {};
  const schemaOf = (type, of) => {
    if (ts.isArrayTypeNode(type)) return { type: 'array', items: schemaOf(type.elementType, of) };
    if (!ts.isTypeReferenceNode(type))
      throw new Error(`${of} answers with ${type.getText()}: give its answer a name in the contract.`);
    const name = type.typeName.getText();
    // A file, whatever is in it.
    if (name === 'StreamableFile') return { type: 'string', format: 'binary' };
    const made = generator.createSchema(name);
    Object.assign(schemas, made.definitions);
    return { $ref: made.$ref };
  };
  for (const { id, type } of promised(ts, join(root, 'server', 'src', 'views')))
    if (type !== undefined)
      operations[id] = type.kind === ts.SyntaxKind.VoidKeyword ? null : schemaOf(type, id);
  return JSON.parse(
    JSON.stringify({ operations, schemas }).replaceAll('#/definitions/', '#/components/schemas/'),
  );
}

/** What each operation promises; a stream of events promises no type. */
function* promised(ts, folder) {
  for (const file of readdirSync(folder, { recursive: true }).filter((each) =>
    each.endsWith('.controller.ts'),
  )) {
    const source = ts.createSourceFile(
      file,
      readFileSync(join(folder, file), 'utf8'),
      ts.ScriptTarget.ES2022,
      true,
    );
    for (const node of source.statements.filter(ts.isClassDeclaration)) {
      for (const method of node.members.filter(ts.isMethodDeclaration)) {
        const verbs = (ts.getDecorators(method) ?? []).map((each) =>
          ts.isCallExpression(each.expression) ? each.expression.expression.getText() : '',
        );
        if (!verbs.some((verb) => VERBS.has(verb))) continue;
        const id = `${node.name.getText()}_${method.name.getText()}`;
        const answers = method.type;
        if (!answers) throw new Error(`${id} does not say what it answers.`);
        const isPromise = ts.isTypeReferenceNode(answers) && answers.typeName.getText() === 'Promise';
        yield { id, type: isPromise ? answers.typeArguments[0] : answers };
      }
    }
  }
}
