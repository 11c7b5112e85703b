import { readdirSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';

const ROOT = join(import.meta.dirname, '..');

/** The names under which a test file registers what it tests. */
const NAMES = ['beforeAll', 'afterAll', 'beforeEach', 'afterEach', 'it', 'test', 'describe'] as const;
type Registering = (...args: readonly unknown[]) => unknown;
type Globals = Record<(typeof NAMES)[number], Registering & { readonly each: Registering }>;

/**
 * Registers the tests of several files in one: Jest loads everything anew for each file it runs, and the application with its
 * packages takes longer to load than most files take to run. Each file stays as it is, and runs by itself as well; here its
 * hooks and tests stand in a block of its name, so that its server and its database are its own.
 * @param share this share of the files, of so many.
 */
export async function together(share: number, of: number): Promise<void> {
  for (const file of shareOf(share, of)) {
    const name = relative(ROOT, file);
    const found = await registered(file);
    describe(name, () => {
      for (const register of found) register();
    });
  }
}

/** What a file registers when it is loaded, to be registered later. */
async function registered(file: string): Promise<(() => void)[]> {
  const globals = globalThis as unknown as Globals;
  const own = Object.fromEntries(NAMES.map((name) => [name, globals[name]])) as Globals;
  const found: (() => void)[] = [];
  const later =
    (register: Registering): Registering =>
    (...args) =>
      void found.push(() => void register(...args));
  for (const name of NAMES) {
    const each: Registering = (...table) => later(own[name].each(...table) as Registering);
    globals[name] = Object.assign(later(own[name]), { each });
  }
  try {
    await import(file);
  } finally {
    Object.assign(globals, own);
  }
  return found;
}

/** Files by weight into the lightest share each, so that the shares take about as long. */
function shareOf(share: number, of: number): string[] {
  const files = [...testFiles(join(ROOT, 'src')), ...testFiles(join(ROOT, 'test'))]
    .map((file) => ({ file, weight: weightOf(file) }))
    .sort((a, b) => b.weight - a.weight || a.file.localeCompare(b.file));
  const shares = Array.from({ length: of }, () => ({ weight: 0, files: [] as string[] }));
  for (const { file, weight } of files) {
    const lightest = shares.reduce((least, each) => (each.weight < least.weight ? each : least));
    lightest.files.push(file);
    lightest.weight += weight;
  }
  return shares[share]!.files;
}

/** Bytes of a file stand for its time, but for the one whose time is in its requests. */
const weightOf = (file: string): number => statSync(file).size * (/fuzz/.test(file) ? 4 : 1);

function testFiles(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((each) => {
    const path = join(folder, each.name);
    if (each.isDirectory()) return each.name === 'together' ? [] : testFiles(path);
    return each.name.endsWith('.test.ts') ? [path] : [];
  });
}
