/** A trouble with its remedy: printed as one sentence, without a stack. */
export class Trouble extends Error {}

export const say = (text) => process.stdout.write(`${text}\n`);

/** Runs a command; a Trouble ends it in one sentence, Ctrl-C in none. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    if (error instanceof Trouble) process.stderr.write(`\n${error.message}\n`);
    else process.stderr.write(`\n${error?.stack ?? error}\n`);
    process.exitCode = 1;
  }
}
