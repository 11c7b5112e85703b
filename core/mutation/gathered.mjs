import { readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'expect';
import { rolldown } from 'rolldown';
import '../jest.setup.mjs';

/** The folders whose mutants are tested, by the known answers that stand beside them. */
const FOLDERS = ['calls', 'hands', 'hold-prescriptions', 'profile'];

let loaded = 0;

/**
 * The tests of those folders, read and registered but not run: each with its name and what it does.
 * @param root the project, as it is or mutated.
 */
export async function gathered(root) {
  const core = join(root, 'core', 'src');
  const files = FOLDERS.flatMap((folder) =>
    readdirSync(join(core, folder))
      .filter((name) => name.endsWith('.test.ts'))
      .map((name) => join(core, folder, name)),
  );
  const entry = join(root, 'core', 'mutation', `entry-${process.pid}.mjs`);
  const built = join(root, 'core', 'mutation', `built-${process.pid}-${++loaded}.mjs`);
  writeFileSync(entry, files.map((file) => `import ${JSON.stringify(file)};`).join('\n'));
  try {
    const bundle = await rolldown({
      input: entry,
      platform: 'node',
      // Packages as they are; fast-check is then the one that has its seed already.
      external: (id) => /^[@a-z]/.test(id),
      logLevel: 'silent',
      // What a test file does is all that it is for.
      treeshake: false,
    });
    await bundle.write({ file: built, format: 'esm', codeSplitting: false });
    return await registered(() => import(built));
  } finally {
    for (const path of [entry, built]) rmSync(path, { force: true });
  }
}

/** What is registered while it is loaded, under the names that Jest gives test files. */
async function registered(load) {
  const tests = [];
  const within = [];
  const names = new Map();
  const test = (title, body) => {
    const name = [...within, title].join(' › ');
    // Two tests may be called the same; a mutant is told of them one by one.
    const same = names.get(name) ?? 0;
    names.set(name, same + 1);
    tests.push({ name: same === 0 ? name : `${name} (${same + 1})`, body });
  };
  const describe = (title, register) => {
    within.push(title);
    register();
    within.pop();
  };
  const each = (register) => (table) => (title, body) =>
    table.forEach((row, i) => register(`${title} [${i}]`, () => body(...(Array.isArray(row) ? row : [row]))));
  const it = Object.assign(test, { each: each(test) });
  Object.assign(globalThis, {
    ...{ expect, it, test: it },
    describe: Object.assign(describe, { each: each(describe) }),
  });
  await load();
  return tests;
}
