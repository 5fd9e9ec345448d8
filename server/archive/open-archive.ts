import { createInterface } from "node:readline";
import { type Entry, openPromise, type ZipFile } from "yauzl";
import { Refusal } from "../desk/refusal.ts";

export interface Archive {
  /** The places of what is in it. */
  names: ReadonlySet<string>;
  /** How many bytes all of it is once unpacked, by what it says. */
  bytes: number;
  /** One part whole. Refuses one that isn't there, and one of more than so many bytes. */
  read: (name: string, mostBytes: number) => Promise<Buffer>;
  /** The lines of one part, as they are read. */
  lines: (name: string) => AsyncIterable<string>;
  close: () => void;
}

const MOST_PARTS = 1_000_000;

const unreadable = (why: string) => new Refusal({ message: `That file can't be read: ${why}` });

/** What a zip's reader says is wrong with it is the file's fault. */
async function asSaid<Result>(work: Promise<Result>): Promise<Result> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw unreadable("it is no zip, or it broke off on its way here.");
  }
}

async function listed(zip: ZipFile): Promise<Map<string, Entry>> {
  const parts = new Map<string, Entry>();
  for await (const entry of zip.eachEntry()) {
    if (parts.has(entry.fileName)) throw unreadable(`“${entry.fileName.slice(0, 80)}” is in it twice.`);
    if (parts.size === MOST_PARTS) throw unreadable("there are too many parts in it.");
    parts.set(entry.fileName, entry);
  }
  return parts;
}

/** Opens a zip on disk by what it says is in it; nothing is unpacked anywhere, and no part is larger than it says. */
export async function openArchive(path: string): Promise<Archive> {
  const zip = await asSaid(openPromise(path, { lazyEntries: true, autoClose: false }));
  try {
    const parts = await asSaid(listed(zip));
    const part = (name: string): Entry => {
      const found = parts.get(name);
      if (!found) throw unreadable(`“${name}” is not in it.`);
      return found;
    };
    const stream = (name: string) => asSaid(zip.openReadStreamPromise(part(name)));
    return {
      names: new Set(parts.keys()),
      bytes: [...parts.values()].reduce((sum, { uncompressedSize }) => sum + uncompressedSize, 0),
      read: async (name, mostBytes) => {
        if (part(name).uncompressedSize > mostBytes)
          throw unreadable(`“${name}” has more than ${Math.round(mostBytes / 1e6)} MB.`);
        const chunks: Buffer[] = [];
        const source = await stream(name);
        await asSaid(
          (async () => {
            for await (const chunk of source) chunks.push(chunk as Buffer);
          })(),
        );
        return Buffer.concat(chunks);
      },
      lines: async function* (name) {
        const source = await stream(name);
        const broken = () => unreadable(`“${name}” isn't what was written.`);
        let isBroken = false;
        source.on("error", () => {
          isBroken = true;
        });
        try {
          yield* createInterface({ input: source, crlfDelay: Number.POSITIVE_INFINITY });
        } catch (error) {
          throw isBroken ? broken() : error;
        }
        if (isBroken) throw broken();
      },
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}
