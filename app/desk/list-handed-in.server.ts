import Papa from "papaparse";
import { data } from "react-router";
import { type ListTrouble, partedBy } from "../../core/kernel/csv/index.ts";
import { decodeLog } from "../../core/trade/trace/index.ts";
import { Refusal } from "../../server/desk/refusal.ts";
import { readForm } from "./read-body.server.ts";

const MOST_BYTES = 2_000_000;
/** What parts the columns is told by so much of the first line. */
const MOST_HEAD_LETTERS = 8000;

const headOf = (text: string) => text.slice(0, text.search(/[\r\n]|$/)).slice(0, MOST_HEAD_LETTERS);

/** The rows of the CSV that was handed in as `list`, cut but not read. `of` says what it is a list of. */
export async function listHandedIn(request: Request, of: string): Promise<string[][]> {
  const file = (await readForm(request)).get("list");
  if (!(file instanceof File)) throw new Refusal({ message: "No list came with it." });
  const text = file.size > MOST_BYTES ? "\0" : decodeLog(new Uint8Array(await file.arrayBuffer()));
  if (text.includes("\0"))
    throw new Refusal({ message: `That is no list of ${of}: a CSV of at most 2 MB is taken.` });
  return Papa.parse<string[]>(text, { skipEmptyLines: false, delimiter: partedBy(headOf(text)) }).data;
}

/** Nothing of a list was taken in, and why, line by line. */
export function listRefused(troubles: readonly ListTrouble[]) {
  const lines = new Set(troubles.map(({ line }) => line)).size;
  const message = `Nothing was taken in: ${lines === 1 ? "one line is" : `${lines} lines are`} wrong.`;
  return data({ troubles, refused: { message, fields: {} } }, { status: 422 });
}
