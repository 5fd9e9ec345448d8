import { BaseError } from "sequelize";
import { Refusal } from "../desk/refusal.ts";

const say = (told: object) => process.stdout.write(`${JSON.stringify(told)}\n`);

/** Does what a command is for and prints one line of JSON: what came of it, or why not in words. Anything else is a fault. */
export async function answered(work: () => Promise<object>): Promise<void> {
  try {
    say(await work());
  } catch (error) {
    process.exitCode = 1;
    if (error instanceof Refusal) say({ refused: error.message || Object.values(error.fields).join(" ") });
    else if (error instanceof BaseError)
      say({ refused: `The database answered: ${error.message || error.name}` });
    else throw error;
  }
}
