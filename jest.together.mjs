import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';

/** The names under which a test file registers what it tests. */
const NAMES = ['beforeAll', 'afterAll', 'beforeEach', 'afterEach', 'it', 'test', 'describe'];
/** Where the shares themselves stand: they are no part of any. */
const SHARES = 'together';

/** A test file that says which kind of page it runs in, in its first lines. */
const OWN_ENVIRONMENT = /@jest-environment (\S+)/;

/**
 * Registers the tests of several files in one: Jest loads everything anew for each file it runs, and loading takes longer than
 * most files take to run. Each file stays as it is, and runs by itself as well; here its hooks and tests stand in a block of
 * its name, so that what it sets up is its own.
 * @param root the package whose test files they are.
 * @param share this share of the files, counted from 0, `of` so many.
 * @param environment the one that the files ask for; `node` where they ask for none.
 * @param heavy the files whose bytes say too little of their time, and how many times.
 * @param after what ends a file, for what its helpers keep while it runs: they are loaded once, and end once, with the share.
 */
export async function together(root, { share, of, environment = 'node', heavy = {}, after }) {
  for (const file of sharesOf(root, of, environment, heavy)[share]) {
    const found = await registered(file);
    describe(relative(root, file), () => {
      for (const register of found) register();
      if (after) afterAll(after);
    });
  }
}

/** What a file registers when it is loaded, to be registered later. */
async function registered(file) {
  const own = Object.fromEntries(NAMES.map((name) => [name, globalThis[name]]));
  const found = [];
  const later =
    (register) =>
    (...args) =>
      void found.push(() => void register(...args));
  for (const name of NAMES) {
    const each = (...table) => later(own[name].each(...table));
    globalThis[name] = Object.assign(later(own[name]), { each });
  }
  try {
    await import(file);
  } finally {
    Object.assign(globalThis, own);
  }
  return found;
}

/** Files by weight into the lightest share each, so that the shares take about as long. */
function sharesOf(root, of, environment, heavy) {
  const weightOf = (file) =>
    statSync(file).size * (Object.entries(heavy).find(([name]) => file.includes(name))?.[1] ?? 1);
  const files = testFiles(root)
    .filter((file) => (OWN_ENVIRONMENT.exec(readFileSync(file, 'utf8'))?.[1] ?? 'node') === environment)
    .map((file) => ({ file, weight: weightOf(file) }))
    .sort((a, b) => b.weight - a.weight || a.file.localeCompare(b.file));
  const shares = Array.from({ length: of }, () => ({ weight: 0, files: [] }));
  for (const { file, weight } of files) {
    const lightest = shares.reduce((least, each) => (each.weight < least.weight ? each : least));
    lightest.files.push(file);
    lightest.weight += weight;
  }
  return shares.map((each) => each.files);
}

function testFiles(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((each) => {
    const path = join(folder, each.name);
    if (each.isDirectory())
      return ['node_modules', 'dist', SHARES].includes(each.name) ? [] : testFiles(path);
    return /\.test\.(tsx?|mjs)$/.test(each.name) ? [path] : [];
  });
}
