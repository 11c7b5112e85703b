import ts from 'typescript';
import * as core from './index.ts';
import { EXAMPLE_SCOPE, publicFunctions } from './public-functions.test-helper.ts';

const FUNCTIONS = publicFunctions();

/** Splits `expression // value`; the value is what follows the last `//`. */
function parts(example: string): { expression: string; value: string } {
  const at = example.lastIndexOf('//');
  if (at < 0) throw new Error(`No “// value” in: ${example}`);
  return { expression: example.slice(0, at).trim(), value: example.slice(at + 2).trim() };
}

const scope: Record<string, unknown> = { ...core, ...EXAMPLE_SCOPE };

function evaluate(expression: string): unknown {
  return new Function(...Object.keys(scope), `'use strict'; return (${expression});`)(
    ...Object.values(scope),
  );
}

/** Holds a value against one that is written out: numbers to the digits written, `…` for digits left out, records by the fields written. */
function compare(actual: unknown, node: ts.Expression, path: string): void {
  if (ts.isParenthesizedExpression(node)) return compare(actual, node.expression, path);
  if (ts.isNumericLiteral(node) || ts.isPrefixUnaryExpression(node)) {
    const text = node.getText();
    const digits = (text.split('.')[1] ?? '').length;
    expect({ path, value: Number((actual as number).toFixed(digits)) }).toEqual({
      path,
      value: Number(text),
    });
    return;
  }
  if (ts.isArrayLiteralExpression(node)) {
    expect({ path, length: (actual as unknown[]).length }).toEqual({ path, length: node.elements.length });
    node.elements.forEach((each, i) => compare((actual as unknown[])[i], each, `${path}[${i}]`));
    return;
  }
  if (ts.isObjectLiteralExpression(node)) {
    for (const property of node.properties) {
      if (!ts.isPropertyAssignment(property)) throw new Error(`Not a written value: ${property.getText()}`);
      const name = (property.name as ts.Identifier | ts.StringLiteral).text;
      compare((actual as Record<string, unknown>)[name], property.initializer, `${path}.${name}`);
    }
    return;
  }
  expect({ path, value: actual }).toEqual({ path, value: evaluate(node.getText()) });
}

function written(value: string): ts.Expression {
  const source = ts.createSourceFile('value.ts', `(${value})`, ts.ScriptTarget.ES2022, true);
  return (source.statements[0] as ts.ExpressionStatement).expression;
}

describe.each(FUNCTIONS.map((each) => [each.name, each] as const))(
  '%s',
  (_name, { doc, examples, throws, parameters }) => {
    it('says what it is, what it refuses, and shows it at work', () => {
      expect(doc).toMatch(/[.:)]$/);
      expect(examples.length).toBeGreaterThan(0);
      if (parameters.length) expect(throws.length).toBeGreaterThan(0);
    });

    it.each(examples)('%s', (example) => {
      const { expression, value } = parts(example);
      compare(evaluate(expression), written(value), 'value');
    });
  },
);

it('finds the whole interface', () => {
  const functions = Object.entries(core).filter(
    ([, each]) => typeof each === 'function' && !/^class\b/.test(String(each)),
  );
  expect(FUNCTIONS.map((each) => each.name).sort()).toEqual(functions.map(([name]) => name).sort());
});
