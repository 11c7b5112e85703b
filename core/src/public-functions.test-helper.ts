import { dirname, join } from 'node:path';
import ts from 'typescript';
import { fitHoldCurve } from './clasp-curve/fit-hold-curve.ts';
import { lifter } from './calls/fixtures.test-helper.ts';
import type { CallVenue } from './calls/types.ts';

/** An exported function with what its docstring says. */
export interface PublicFunction {
  readonly name: string;
  readonly file: string;
  readonly doc: string;
  readonly examples: readonly string[];
  readonly throws: readonly string[];
  readonly parameters: readonly string[];
}

/**
 * What the examples of the docstrings speak of: a lifter with sound hands, a 180 kg deadlift and a settled hook, in the
 * rope works, of whom nothing is logged yet. Written in docs/core-reference.md too.
 */
export const EXAMPLE_SCOPE = {
  curve: fitHoldCurve([], { referenceLoad: 126 }),
  lifter: lifter(),
  venue: { name: 'Rope works', chalk: 'block', barDiameter: 28.5 } satisfies CallVenue,
};

/** Every function that the package exports, read from its sources. */
export function publicFunctions(): PublicFunction[] {
  const index = join(import.meta.dirname, 'index.ts');
  const program = ts.createProgram([index], {
    allowImportingTsExtensions: true,
    noEmit: true,
    types: [],
    module: ts.ModuleKind.NodeNext,
    moduleResolution: ts.ModuleResolutionKind.NodeNext,
    target: ts.ScriptTarget.ES2022,
    strict: true,
  });
  const checker = program.getTypeChecker();
  const module = checker.getSymbolAtLocation(program.getSourceFile(index)!)!;
  return checker.getExportsOfModule(module).flatMap((exported): PublicFunction[] => {
    const symbol = exported.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(exported) : exported;
    const declaration = symbol.valueDeclaration;
    if (!declaration || !ts.isFunctionDeclaration(declaration)) return [];
    const tags = symbol.getJsDocTags(checker);
    const texts = (name: string): string[] =>
      tags.filter((tag) => tag.name === name).map((tag) => ts.displayPartsToString(tag.text).trim());
    return [
      {
        name: symbol.name,
        file: declaration.getSourceFile().fileName.slice(dirname(index).length + 1),
        doc: ts.displayPartsToString(symbol.getDocumentationComment(checker)),
        examples: texts('example'),
        throws: texts('throws'),
        parameters: declaration.parameters.map((parameter) => parameter.name.getText()),
      },
    ];
  });
}
