import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/*
 * Which mutants the tests let live, against those that are named as equivalent: no test can tell them from the code. Ends with 1
 * where one lives that is not named, or one is named that does not live any more.
 */

const HERE = import.meta.dirname;
const read = (path) => JSON.parse(readFileSync(join(HERE, path), 'utf8'));
const { files } = read('../reports/mutation.json');
const named = read('equivalent.json');

const found = Object.entries(files).flatMap(([file, { source, mutants }]) => {
  const lines = source.split('\n');
  return mutants.map(({ status, replacement, mutatorName, location: { start } }) => ({
    file: file.replace(/^.*core\/src\//, ''),
    line: start.line,
    code: lines[start.line - 1].trim(),
    mutant: (replacement ?? mutatorName).replaceAll(/\s+/g, ' '),
    status,
  }));
});
const tested = found.filter(({ status }) => ['Killed', 'Survived', 'Timeout', 'NoCoverage'].includes(status));
const alive = tested.filter(({ status }) => status === 'Survived' || status === 'NoCoverage');
const isOf = (mutant) => (name) =>
  name.file === mutant.file && name.code === mutant.code && name.mutants.includes(mutant.mutant);
const unnamed = alive.filter((mutant) => !named.some(isOf(mutant)));
const tried = new Set(tested.map(({ file }) => file));
const stale = named.flatMap(({ mutants, ...name }) =>
  mutants
    .map((mutant) => ({ ...name, mutant }))
    .filter(
      (one) => tried.has(one.file) && !alive.some((each) => isOf(each)({ ...name, mutants: [one.mutant] })),
    )
    .map(({ file, code, mutant }) => `${file}: ${code} → ${mutant}`),
);
const killed = tested.length - alive.length;
const say = (line) => process.stdout.write(`${line}\n`);
say(
  `${tested.length} mutants: ${killed} killed (${((100 * killed) / tested.length).toFixed(1)} %), ${alive.length - unnamed.length} named as equivalent, ${unnamed.length} not named.`,
);
for (const { file, line, code, mutant } of unnamed) say(`  not named: ${file}:${line}: ${code} → ${mutant}`);
for (const each of stale) say(`  named and not alive: ${each}`);
process.exitCode = unnamed.length + stale.length > 0 ? 1 : 0;
