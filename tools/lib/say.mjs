/** One line of progress. */
export function say(text) {
  process.stdout.write(`${text}\n`);
}

/** A failure that the person can mend: shown without a stack. */
export class Trouble extends Error {}

/** Runs `main`, showing a {@link Trouble} as its message alone, and ends with a fitting exit code. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    process.stderr.write(`\n${error instanceof Trouble ? error.message : (error.stack ?? String(error))}\n`);
    process.exitCode = 1;
  }
}
