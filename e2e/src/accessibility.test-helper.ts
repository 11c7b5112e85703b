import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { AxeResults } from 'axe-core';
import type { Driver } from 'selenium-webdriver/chrome.js';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Violations of WCAG 2.2 A and AA on the page as it stands, in words. */
export async function violationsOn(driver: Driver): Promise<string[]> {
  // A page that is looked at again has it; the short form of it, past the driver's own wrapping, takes a third of the time.
  if (!(await driver.executeScript<boolean>("return typeof axe === 'object'")))
    await driver.sendDevToolsCommand('Runtime.evaluate', { expression: AXE });
  const result = await driver.executeAsyncScript<AxeResults>(
    `const done = arguments[0];
     axe.run(document, {
       runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
       resultTypes: ['violations'], iframes: false, preload: false,
     }).then(({ violations }) => done({ violations }));`,
  );
  return result.violations.map(
    (each) => `${each.id}: ${each.help}: ${each.nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`,
  );
}
