/** How the scripts speak: one line a step, and an end with a reason. */
export const say = (text) => process.stdout.write(`${text}\n`);

/** An error that a person can act on: printed without a stack. */
export class Told extends Error {}

/** Runs the script's main function; a `Told` error ends it with its words alone. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    process.stderr.write(`\n${error instanceof Told ? error.message : (error?.stack ?? error)}\n`);
    process.exit(1);
  }
}
