import { directUrl } from "../../server/database/addresses.ts";
import { GrownBooks } from "../../server/database/grown-books.ts";

let open: GrownBooks | undefined;

/** The process's one listener for books that grow. */
export function grownBooks(): GrownBooks {
  open ??= new GrownBooks(directUrl(process.env));
  return open;
}
