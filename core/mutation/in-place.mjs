import { declareClassPlugin, PluginKind } from '@stryker-mutator/api/plugin';
import { INSTRUMENTER_CONSTANTS } from '@stryker-mutator/api/core';
import {
  determineHitLimitReached,
  DryRunStatus,
  MutantRunStatus,
  TestStatus,
  toMutantRunResult,
} from '@stryker-mutator/api/test-runner';
import { gathered } from './gathered.mjs';

/** What the mutated code asks for the mutant that is on, and tells what it passed. */
const told = (globalThis[INSTRUMENTER_CONSTANTS.NAMESPACE] ??= {});

/**
 * Runs the tests of the core against one mutant after the other in one process. The mutated code carries all its mutants and
 * switches them on by a name; loaded anew for each, as a test runner for whole projects has to, it takes a hundred times as
 * long to load as its tests take to run. What a mutant leaves behind in the module must not kill the next one: a test that
 * failed is run again without the mutant, and where it fails then too, everything is loaded anew.
 */
class InPlace {
  #tests;

  /**
   * What is mutated while it is loaded is left out (`ignoreStatic`), so nothing is ever loaded for a mutant's sake; Stryker
   * would start this process anew for each whose code is passed then as well as by tests.
   */
  capabilities() {
    return { reloadEnvironment: true };
  }

  init() {
    return this.#load();
  }

  async #load() {
    this.#tests = await quickFirst(await gathered(process.cwd()));
  }

  async dryRun({ coverageAnalysis }) {
    told.activeMutant = undefined;
    const tests = [];
    for (const test of this.#tests) {
      // By what a test passes Stryker knows which mutants it may kill.
      if (coverageAnalysis === 'perTest') told.currentTestId = test.name;
      tests.push(await run(test));
      told.currentTestId = undefined;
    }
    return { status: DryRunStatus.Complete, tests, mutantCoverage: told.mutantCoverage };
  }

  async mutantRun({ activeMutant, testFilter, hitLimit, disableBail }) {
    const wanted = testFilter && new Set(testFilter);
    const under = async () => {
      Object.assign(told, { activeMutant: activeMutant.id, hitCount: hitLimit && 0, hitLimit });
      const tests = [];
      for (const test of this.#tests) {
        if (wanted && !wanted.has(test.name)) continue;
        const result = await run(test);
        tests.push(result);
        if (result.status === TestStatus.Failed && !disableBail) break;
      }
      told.activeMutant = undefined;
      const endless = determineHitLimitReached(told.hitCount, told.hitLimit);
      told.hitLimit = undefined;
      return toMutantRunResult(endless ?? { status: DryRunStatus.Complete, tests }, false);
    };
    const first = await under();
    if (first.status !== MutantRunStatus.Killed) return first;
    const killer = this.#tests.find(({ name }) => name === first.killedBy[0]);
    if ((await run(killer)).status === TestStatus.Success) return first;
    await this.#load();
    return under();
  }
}

/** The tests in the order of their time: most mutants are killed by any of several, and the slow ones draw hundreds of cases. */
async function quickFirst(tests) {
  const timed = [];
  // What is passed by no test at all counts as passed while the module was loaded.
  told.currentTestId = 'timed';
  for (const test of tests) timed.push({ test, took: (await run(test)).timeSpentMs });
  told.currentTestId = undefined;
  delete told.mutantCoverage?.perTest.timed;
  return timed.sort((a, b) => a.took - b.took).map(({ test }) => test);
}

async function run({ name, body }) {
  const from = performance.now();
  const result = (more) => ({ id: name, name, timeSpentMs: performance.now() - from, ...more });
  try {
    await body();
    return result({ status: TestStatus.Success });
  } catch (fault) {
    return result({ status: TestStatus.Failed, failureMessage: String(fault?.message ?? fault) });
  }
}

export const strykerPlugins = [declareClassPlugin(PluginKind.TestRunner, 'in-place', InPlace)];
