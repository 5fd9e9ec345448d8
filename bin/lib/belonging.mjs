import { readdirSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./paths.mjs";

/** Which project tests what lies in a folder, in the order in which they are run. */
const PROJECTS = {
  core: ["core"],
  app: ["app", "bin", "stand-ins"],
  server: ["server", "demo"],
  views: ["views"],
  processes: ["processes"],
  e2e: ["e2e"],
};

const testsIn = (folder) =>
  readdirSync(join(ROOT, folder), { recursive: true })
    .filter((name) => name.endsWith(".test.ts"))
    .map((name) => `${folder}/${name}`);

/**
 * The test files that belong to a path, by project: those below it, and those of its subject's name on other floors
 * (`core/stages/find` is walked by `views/find.test.ts`). Projects without any are left out.
 */
export function belonging(paths) {
  const isOf = (file) =>
    paths.some((path) => {
      const subject = path.replace(/\/+$/, "").split("/").at(-1);
      return file.startsWith(path) || file.endsWith(`/${subject}.test.ts`) || file.includes(`/${subject}/`);
    });
  return Object.entries(PROJECTS)
    .map(([project, folders]) => [project, folders.flatMap(testsIn).filter(isOf)])
    .filter(([, files]) => files.length > 0);
}
