import { readdirSync, readFileSync, statSync } from "node:fs";
import { dirname, join, normalize } from "node:path";

/** Rooms by floor, from the ground up; side by side where none stands on another. The layer check holds the arrows between them. */
const FLOORS: { floor: string; rows: string[][] }[] = [
  { floor: "core", rows: [["kernel"], ["trade"], ["book"], ["state"], ["stages"], ["language", "report"]] },
  {
    floor: "server",
    rows: [
      ["desk"],
      ["database", "threads", "archive", "instruments"],
      ["cards", "adapter"],
      ["entries"],
      ["backups", "verify"],
      ["subjects"],
      ["books"],
      ["reports", "chores", "commands"],
    ],
  },
  {
    floor: "app",
    rows: [
      ["keys"],
      ["desk"],
      ["ui"],
      ["drafts", "kept", "workers"],
      ["outbox"],
      ["shell", "today", "vehicle", "shelf", "shop"],
      ["job"],
      ["bench"],
    ],
  },
];

export interface Room {
  name: string;
  lines: number;
  /** Lines of its tests and of what only tests use. */
  testLines: number;
  /** How many of its files ask each other room. */
  asks: Map<string, number>;
}

const isCode = (name: string) => /\.tsx?$/.test(name);
const isTest = (name: string) => /\.(test|fixture)\.tsx?$|^server\/testing\//.test(name);
const roomOf = (path: string) => path.split("/").slice(0, 2).join("/");
const IMPORT = /(?:from\s+|import\s*\(\s*)"(\.[^"]+)"/g;

/** Each room with its lines and whom it asks, read from the code. */
export async function rooms(): Promise<Map<string, Room>> {
  const found = new Map<string, Room>();
  for (const { floor } of FLOORS)
    for (const name of readdirSync(floor, { recursive: true, encoding: "utf8" }).sort()) {
      const path = join(floor, name);
      if (!isCode(path) || path.split("/").length < 3 || !statSync(path).isFile()) continue;
      const room = found.get(roomOf(path)) ?? {
        name: roomOf(path),
        lines: 0,
        testLines: 0,
        asks: new Map(),
      };
      found.set(room.name, room);
      const text = readFileSync(path, "utf8");
      const lines = text.split("\n").length - 1;
      if (isTest(path)) {
        room.testLines += lines;
        continue;
      }
      room.lines += lines;
      const asked = new Set(
        [...text.matchAll(IMPORT)].map(([, to = ""]) => roomOf(normalize(join(dirname(path), to)))),
      );
      for (const each of asked) if (each !== room.name) room.asks.set(each, (room.asks.get(each) ?? 0) + 1);
    }
  return found;
}

const [WIDE, HIGH, GAP, BETWEEN] = [122, 44, 12, 48];
const wideOf = ({ rows }: (typeof FLOORS)[number]) =>
  Math.max(...rows.map((row) => row.length)) * (WIDE + GAP);

/** The house: a column a floor, its rooms from the ground up. Whom a room asks within its floor stands under its name. */
export function drawing(found: ReadonlyMap<string, Room>): string {
  const most = Math.max(...FLOORS.map(({ rows }) => rows.length));
  const width = FLOORS.reduce((sum, floor) => sum + wideOf(floor) + BETWEEN, GAP) - BETWEEN;
  const height = most * (HIGH + GAP) + 64;
  const column = ({ floor, rows }: (typeof FLOORS)[number], index: number) => {
    const left = FLOORS.slice(0, index).reduce((sum, each) => sum + wideOf(each) + BETWEEN, GAP);
    const boxes = rows.flatMap((row, up) =>
      row.map((name, across) => {
        const room = found.get(`${floor}/${name}`);
        const [x, y] = [left + across * (WIDE + GAP), height - GAP - (up + 1) * (HIGH + GAP)];
        const below = [...(room?.asks.keys() ?? [])]
          .filter((each) => each.startsWith(`${floor}/`))
          .map((each) => each.slice(floor.length + 1))
          .sort();
        return `<g><title>${floor}/${name} asks ${below.join(", ") || "nobody"}</title><rect x="${x}" y="${y}" width="${WIDE}" height="${HIGH}" rx="4" fill="#FFFEF9" stroke="#211D18" stroke-width="2"/><text x="${x + 10}" y="${y + 27}" font-size="17" fill="#211D18">${name}</text></g>`;
      }),
    );
    return `<text x="${left}" y="28" font-size="20" font-weight="bold" fill="#211D18">${floor}</text>${boxes.join("")}`;
  };
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" font-family="sans-serif" role="img" aria-label="The rooms of core, server and app, from the ground up"><rect width="${width}" height="${height}" fill="#FBF6EC"/>${FLOORS.map(column).join("")}</svg>\n`;
}
