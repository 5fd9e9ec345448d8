import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), "..", "..");
/** Everything this machine made for itself; git-ignored, and safe to delete when nothing runs. */
export const LOCAL = join(ROOT, ".local");
