import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { stripVTControlCharacters } from 'node:util';
import { BROWSER_FILES, BROWSER_PACKAGES } from './lib/browser-files.mjs';
import { ensureBuilt, ensurePackages } from './lib/build.mjs';
import { checks } from './lib/checks.mjs';
import { makeDemoTemplate } from './lib/demo-template.mjs';
import { checkDisk, checkNode, installDebian, temporaryFolder } from './lib/machine.mjs';
import { findPostgres, POSTGRES_PACKAGES, startPostgres } from './lib/postgres.mjs';
import { run, say, Trouble } from './lib/say.mjs';

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

/** Test files of a suite that run at once: a core each; browser tests wait more than they work. */
const SIDE_BY_SIDE = 2;
/** Files of a package in a few shares, which load it once each. */
const TOGETHER = { IRON_CLASP_TOGETHER: 'on' };
const BROWSERS = 3;
/** Files named in each suite's time. */
const SLOWEST = 25;

const score = { passed: 0, failed: 0 };
/** How long each suite took, told together at the end. */
const times = [];
/** What failed, a line each: told again at the end, where no long output hides it. */
const failures = [];
/** Characters of a failure's words in its line. */
const LINE = 240;
const seconds = (since) => `${Math.round((Date.now() - since) / 1000)} s`;
const toStop = [];

run(async () => {
  checkNode();
  checkDisk(ROOT);
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => void cleanUp().then(() => process.exit(1)));
  const work = temporaryFolder('iron-clasp-test-');
  toStop.push(() => rmSync(work, { recursive: true, force: true, maxRetries: 5 }));
  try {
    await Promise.all([ensurePackages(ROOT), ensureDebian()]);
    // Checks and building go on while the unit tests run in a process of their own.
    const unit = runJest('unit tests', ['core', 'contract', 'device', 'web'], work, TOGETHER);
    await runChecks();
    await ensureBuilt(ROOT);
    await unit;
    const postgres = await startPostgres(join(work, 'postgres'), { settings: { fsync: 'off' } });
    toStop.push(() => postgres.remove());
    // The start command's tests wait on one process after another: a core is enough for them.
    await Promise.all([
      runJest('API tests', ['server'], work, { DATABASE_URL: postgres.url, ...TOGETHER }),
      runJest('start command and soak', ['tools'], work, { IRON_CLASP_E2E_DATABASE: postgres.url }),
    ]);
    await runJest('browser tests', ['e2e'], work, {
      ...(await makeDemoTemplate(ROOT, postgres.url)),
      ...TOGETHER,
    });
  } catch (error) {
    // Whatever stopped the run is a failure of it, and is said so in the last line.
    score.failed += 1;
    failures.push(`the run: ${error.message}`);
    process.stderr.write(`\n${error instanceof Trouble ? error.message : error.stack}\n`);
  } finally {
    await cleanUp();
  }
  say(`\n${times.join('\n')}`);
  if (failures.length) say(`\nFailed:\n${failures.map(lineOf).join('\n')}`);
  say(`\n${score.passed} passed, ${score.failed} failed`);
}).then(() => process.exit(score.failed === 0 && score.passed > 0 ? 0 : 1));

async function cleanUp() {
  while (toStop.length) await toStop.pop()();
}

/** What the tests need of the system, in one go: the package lists are read once. */
async function ensureDebian() {
  const missing = [
    ...(findPostgres() ? [] : POSTGRES_PACKAGES),
    ...(BROWSER_FILES.every((path) => existsSync(path)) ? [] : BROWSER_PACKAGES),
  ];
  if (missing.length) await installDebian(missing, `The tests need ${missing.join(', ')}.`);
}

async function runChecks() {
  const first = Date.now();
  const left = checks(ROOT);
  const next = async () => {
    for (let check = left.shift(); check; check = left.shift()) {
      const started = Date.now();
      const { ok, words } = await check.run();
      score[ok ? 'passed' : 'failed'] += 1;
      say(`${ok ? 'ok    ' : 'FAILED'} ${check.name} (${seconds(started)})`);
      if (ok) continue;
      failures.push(`${check.name}: ${words}`);
      say(words.trim());
    }
  };
  await Promise.all(Array.from({ length: SIDE_BY_SIDE }, next));
  times.push(`checks: ${seconds(first)}`);
}

/** The files that took longest: where the next minute is to be saved. */
function slowest({ testResults }) {
  const files = testResults
    .flatMap((file) => (file.name.includes('/together/') ? apart(file) : [file]))
    .map(({ name, startTime, endTime }) => ({ name: basename(name), took: endTime - startTime }))
    .sort((a, b) => b.took - a.took)
    .slice(0, SLOWEST);
  return files.map(({ name, took }) => `\n  ${Math.round(took / 1000)} s ${name}`).join('');
}

/** Files that were run together stand in blocks of their names. */
function apart({ assertionResults }) {
  const took = new Map();
  for (const { ancestorTitles, duration } of assertionResults)
    took.set(ancestorTitles[0], (took.get(ancestorTitles[0]) ?? 0) + (duration ?? 0));
  return [...took].map(([name, endTime]) => ({ name, startTime: 0, endTime }));
}

/** The tests that failed, each with its file and its first words; a file that did not load with what it said. */
function failuresOf({ testResults }) {
  return testResults.flatMap(({ name, status, message, assertionResults }) => {
    const failed = assertionResults.filter((each) => each.status === 'failed');
    if (failed.length === 0 && status === 'failed') return [`${basename(name)}: ${message}`];
    return failed.map((each) => `${basename(name)} › ${each.title}: ${each.failureMessages[0] ?? ''}`);
  });
}

/** A failure in one line, without the colours of a terminal. */
function lineOf(words) {
  const plain = stripVTControlCharacters(words).replaceAll(/\s+/g, ' ').trim();
  return `- ${plain.length > LINE ? `${plain.slice(0, LINE)} …` : plain}`;
}

/** Runs Jest projects and adds their counts; a suite that does not even load counts as a failure. */
async function runJest(title, projects, work, env = {}) {
  say(`\n${title}`);
  const started = Date.now();
  const output = join(work, `${title.replaceAll(' ', '-')}.json`);
  const jest = join(ROOT, 'node_modules', 'jest', 'bin', 'jest.js');
  const args = [
    '--experimental-vm-modules',
    '--no-warnings',
    jest,
    '--selectProjects',
    ...projects,
    '--json',
    `--outputFile=${output}`,
    '--ci',
    // Only a failure ever takes so long; a busy machine is none.
    '--testTimeout=60000',
    // A test that failed half way may leave a server behind: the run must end all the same.
    '--forceExit',
  ];
  // The start command's tests are about one port and one data folder after another.
  const workers = projects.includes('e2e') ? BROWSERS : SIDE_BY_SIDE;
  args.push(projects.includes('tools') ? '--runInBand' : `--maxWorkers=${workers}`);
  const child = spawn(process.execPath, args, {
    cwd: ROOT,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'ignore', 'inherit'],
    // A group of its own, so that an interrupted run takes everything with it that the tests started.
    detached: true,
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  const interrupt = async () => {
    if (child.exitCode === null && child.signalCode === null) process.kill(-child.pid, 'SIGTERM');
    await ended;
  };
  toStop.push(interrupt);
  const code = await ended;
  toStop.splice(toStop.indexOf(interrupt), 1);
  if (!existsSync(output)) throw new Trouble(`${title}: Jest ended with code ${code} and no result.`);
  const result = JSON.parse(readFileSync(output, 'utf8'));
  const unfinished = result.numPendingTests + result.numTodoTests;
  score.passed += result.numPassedTests;
  score.failed += result.numFailedTests + result.numRuntimeErrorTestSuites + unfinished;
  failures.push(...failuresOf(result));
  times.push(`${title}: ${result.numPassedTests} passed, ${seconds(started)}${slowest(result)}`);
  if (result.numTotalTests === 0) throw new Trouble(`${title}: no test ran.`);
}
