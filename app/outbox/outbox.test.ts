import { describe, expect, it } from "vitest";
import { type Answer, Outbox, type OutgoingEntry, type Parcel, type Unsent, withUnsent } from "./outbox.ts";

const note = (id: string): OutgoingEntry => ({
  id,
  kind: "note",
  text: id,
  stage: "ask",
  at: "2031-03-04T08:00:00.000Z",
});

function bench(
  answers: (unsent: Unsent) => Answer,
  kept = new Map<string, Unsent>(),
  now: () => number = () => 0,
) {
  const sent: string[] = [];
  const moved: string[] = [];
  const outbox = new Outbox({
    personId: "tobin",
    onMoved: (from, to) => moved.push(`${from} to ${to}`),
    store: {
      all: async () => [...kept.values()],
      put: async (unsent) => void kept.set(unsent.entry.id, unsent),
      remove: async (id) => void kept.delete(id),
    },
    send: async (unsent) => {
      sent.push(unsent.entry.id);
      return answers(unsent);
    },
    onBooked: async () => {},
    now,
  });
  return { outbox, sent, kept, moved };
}

describe("the outbox", () => {
  it("sends in the order of typing and forgets what is booked", async () => {
    const { outbox, sent, kept } = bench(() => "booked");
    await Promise.all([outbox.add("job", [note("a"), note("b")], 1), outbox.add("job", [note("c")], 2)]);
    expect(sent).toEqual(["a", "b", "c"]);
    expect(kept.size).toBe(0);
    expect(outbox.snapshot().unsent).toEqual([]);
  });

  it("keeps everything while no server answers, and sends it after a reload", async () => {
    const first = bench(() => "unreachable");
    await first.outbox.add("job", [note("a")], 1);
    await first.outbox.add("job", [note("b")], 2);
    expect(first.outbox.snapshot()).toMatchObject({ isCutOff: true, unsent: [{}, {}] });
    const second = bench(() => "booked", first.kept);
    await second.outbox.load();
    expect(second.sent).toEqual(["a", "b"]);
    expect(second.kept.size).toBe(0);
  });

  it("takes the same entry twice for one", async () => {
    const { outbox, sent } = bench(() => "unreachable");
    await outbox.add("job", [note("a")], 1);
    await outbox.add("job", [note("a")], 2);
    expect(outbox.snapshot().unsent).toHaveLength(1);
    expect(sent).toEqual(["a"]);
  });

  it("keeps a refused entry with its reason and sends the rest", async () => {
    const { outbox, kept } = bench(({ entry }) =>
      entry.id === "a" ? { refused: "is back already" } : "booked",
    );
    await outbox.add("job", [note("a"), note("b")], 1);
    expect(outbox.snapshot().unsent).toMatchObject([{ entry: { id: "a" }, refused: "is back already" }]);
    await outbox.discard("a");
    expect(kept.size).toBe(0);
  });

  it("never sends one person's entries under another's name", async () => {
    const kept = new Map([["x", { jobId: "job", personId: "ilse", entry: note("x"), order: 1 }]]);
    const { outbox, sent } = bench(() => "booked", kept);
    await outbox.load();
    expect(sent).toEqual([]);
    expect(outbox.snapshot().unsent).toHaveLength(1);
  });
});

describe("what the server takes later", () => {
  const log: Parcel = { kind: "log", name: "a.csv", bytes: new Uint8Array() };
  const signature: Parcel = { kind: "signature", reason: "", openSeen: [], openCount: 0 };

  it("is sent again by itself once its time has come, and lets everything else by", async () => {
    let clock = 0;
    let isBusy = true;
    const { outbox, sent, kept } = bench(
      ({ entry }) => (entry.id === "log" && isBusy ? { later: "Several are read.", againInS: 5 } : "booked"),
      undefined,
      () => clock,
    );
    await outbox.add("job", [note("log")], 1, log);
    await outbox.add("job", [note("b")], 2);
    expect(sent).toEqual(["log", "b"]);
    expect(outbox.snapshot()).toMatchObject({
      isCutOff: false,
      unsent: [{ entry: { id: "log" }, later: "Several are read." }],
    });
    expect(outbox.snapshot().unsent[0]).not.toHaveProperty("refused");
    clock = 4000;
    await outbox.flush();
    expect(sent).toEqual(["log", "b"]);
    clock = 5000;
    isBusy = false;
    await outbox.flush();
    expect(sent).toEqual(["log", "b", "log"]);
    expect(kept.size).toBe(0);
  });

  it.each(["log", "line", "picture"])("is overtaken by no signature: a %s", async (what) => {
    let isBusy = true;
    const { outbox, sent } = bench(({ entry }) =>
      entry.id === what && isBusy ? { later: "Come again.", againInS: 0 } : "booked",
    );
    const picture: Parcel = { kind: "picture", bytes: new Uint8Array(), words: "neck" };
    const parcel = what === "log" ? log : what === "picture" ? picture : undefined;
    await outbox.add("job", [note(what)], 1, parcel);
    await outbox.add("job", [note("signed")], 2, signature);
    await outbox.add("other", [note("signed elsewhere")], 3, signature);
    expect(sent.filter((id) => id !== what)).toEqual(["signed elsewhere"]);
    isBusy = false;
    await outbox.flush();
    expect(sent.slice(-2)).toEqual([what, "signed"]);
  });

  it("is asked for at once where somebody asks again", async () => {
    const { outbox, sent } = bench(() =>
      sent.length === 1 ? { later: "Come again.", againInS: 600 } : "booked",
    );
    await outbox.add("job", [note("a")], 1);
    await outbox.flush();
    expect(sent).toEqual(["a"]);
    await outbox.again("a");
    expect(sent).toEqual(["a", "a"]);
  });
});

describe("withUnsent", () => {
  it("puts what waits behind what is booked, each once", () => {
    const booked = [{ ...note("a"), jobId: "job", seq: 1, by: "tobin" }];
    const unsent = ["a", "b", "c"].map(
      (id, order): Unsent => ({
        jobId: id === "c" ? "other" : "job",
        personId: "tobin",
        entry: note(id),
        order,
      }),
    );
    expect(withUnsent(booked, unsent, "job").map((entry) => [entry.id, entry.seq])).toEqual([
      ["a", 1],
      ["b", 2],
    ]);
  });
});

describe("a booked entry", () => {
  it("is shown from here until the page has it, then let go", async () => {
    const { outbox } = bench(() => "booked");
    await outbox.add("job", [note("a")], 1);
    const { unsent, booked } = outbox.snapshot();
    expect(withUnsent([], [...booked, ...unsent], "job").map((entry) => entry.id)).toEqual(["a"]);
    outbox.settle(new Set(["a"]));
    expect(outbox.snapshot().booked).toEqual([]);
  });
});

describe("the outbox when things go wrong", () => {
  it("holds nothing up behind an entry that the server stumbles over, and tries that one again", async () => {
    let isMended = false;
    const { outbox, sent } = bench(({ entry }) =>
      entry.id === "a" && !isMended ? { stuck: "a fault" } : "booked",
    );
    await outbox.add("job", [note("a"), note("b")], 1);
    expect(sent).toEqual(["a", "b"]);
    expect(outbox.snapshot().unsent).toMatchObject([{ entry: { id: "a" }, stuck: "a fault" }]);
    isMended = true;
    await outbox.flush();
    expect(outbox.snapshot().unsent).toEqual([]);
  });

  it("sends no correction before the line that it corrects", async () => {
    let isMended = false;
    const { outbox, sent } = bench(({ entry }) =>
      entry.id === "a" && !isMended ? { stuck: "a fault" } : "booked",
    );
    await outbox.add("job", [note("a"), { ...note("b"), corrects: "a" }, note("c")], 1);
    expect(sent).toEqual(["a", "c"]);
    isMended = true;
    await outbox.flush();
    expect(sent).toEqual(["a", "c", "a", "b"]);
  });

  it("sends a refused entry again when it is asked to, or ticked again", async () => {
    let isRefused = true;
    const { outbox, kept } = bench(() => (isRefused ? { refused: "not out" } : "booked"));
    await outbox.add("job", [note("a")], 1);
    expect(kept.get("a")?.refused).toBe("not out");
    isRefused = false;
    await outbox.again("a");
    expect([outbox.snapshot().unsent, kept.size]).toEqual([[], 0]);
    isRefused = true;
    await outbox.add("job", [note("b")], 2);
    isRefused = false;
    await outbox.add("job", [note("b")], 3);
    expect(outbox.snapshot().unsent).toEqual([]);
  });

  it("says when the session has ended, which is not the same as no server", async () => {
    const { outbox } = bench(() => "signed-out");
    await outbox.add("job", [note("a")], 1);
    expect(outbox.snapshot()).toMatchObject({ isCutOff: true, isSignedOut: true, unsent: [{}] });
  });

  it("goes on where the browser's store fails, and says so", async () => {
    const sent: string[] = [];
    const broken = async () => {
      throw new Error("no room");
    };
    const outbox = new Outbox({
      personId: "tobin",
      store: { all: broken, put: broken, remove: broken },
      send: async ({ entry }) => {
        sent.push(entry.id);
        return "booked";
      },
      onBooked: async () => {},
    });
    await outbox.load();
    expect(outbox.snapshot()).toMatchObject({ isUnkept: true, isLoaded: true });
    await outbox.add("job", [note("a")], 1);
    expect(sent).toEqual(["a"]);
  });
});

describe("what is more than a line", () => {
  const opened: Parcel = { kind: "job", vehicleId: "car", bay: "", assignedTo: null };
  const signature: Parcel = { kind: "signature", reason: "", openSeen: [], openCount: 0 };

  it("goes in its own order: the job first, its lines, then its signature", async () => {
    let isThere = false;
    const { outbox, sent, kept } = bench(() => (isThere ? "booked" : "unreachable"));
    await outbox.add("job", [note("sign")], 3, signature);
    await outbox.add("job", [note("line")], 2);
    await outbox.add("job", [note("job")], 1, opened);
    sent.length = 0;
    isThere = true;
    await outbox.flush();
    expect(sent).toEqual(["job", "line", "sign"]);
    expect(kept.size).toBe(0);
  });

  it("holds a job's lines back while the job itself is refused, and nothing of another job", async () => {
    const { outbox, sent } = bench(({ parcel }) => (parcel ? { refused: "is open already" } : "booked"));
    await outbox.add("job", [note("job")], 1, opened);
    await outbox.add("job", [note("line")], 2);
    await outbox.add("other", [note("elsewhere")], 3);
    expect(sent).toEqual(["job", "elsewhere"]);
  });

  it("signs nothing while a line of the job isn't sent, whoever typed it; a refused one holds it up no longer", async () => {
    const theirs = { jobId: "job", personId: "ilse", entry: note("theirs"), order: 1 };
    const { outbox, sent } = bench(
      ({ entry }) => (entry.id === "no" ? { refused: "not out" } : "booked"),
      new Map([["theirs", theirs]]),
    );
    await outbox.load();
    await outbox.add("job", [note("sign")], 2, signature);
    expect(sent).toEqual([]);
    await outbox.discard("theirs");
    await outbox.add("job", [note("no")], 3);
    expect(sent).toEqual(["no", "sign"]);
    const other = bench(({ entry }) => (entry.id === "no" ? { refused: "not out" } : "booked"));
    await other.outbox.add("job", [note("no")], 1);
    await other.outbox.add("job", [note("sign")], 2, signature);
    expect(other.sent).toEqual(["no", "sign"]);
  });

  it("takes its lines along where the car had a job open already", async () => {
    const arrival: Parcel = { kind: "take-in", vehicleId: "car", plate: "MRW 1" };
    let isThere = false;
    const jobs: string[] = [];
    const { outbox, kept, moved } = bench((unsent) => {
      if (!isThere) return "unreachable";
      jobs.push(unsent.jobId);
      return unsent.parcel ? { bookedIn: "other" } : "booked";
    });
    await outbox.add("job", [note("job")], 1, arrival);
    await outbox.add("job", [note("a"), note("b")], 2);
    isThere = true;
    await outbox.flush();
    expect(jobs).toEqual(["job", "other", "other"]);
    expect(moved).toEqual(["job to other"]);
    expect(kept.size).toBe(0);
  });

  it("is no line of a book where it is a vehicle or a level, and holds no line up", async () => {
    const { outbox, sent } = bench(({ parcel }) => (parcel ? { refused: "that plate is there" } : "booked"));
    await outbox.add("job", [note("vehicle")], 1, { kind: "vehicle", fields: { plate: "MRW 1" } });
    await outbox.add("job", [note("level")], 2, { kind: "level", vehicleId: "car", fields: {} });
    await outbox.add("job", [note("line")], 3);
    expect(sent).toEqual(["vehicle", "level", "line"]);
    expect(withUnsent([], outbox.snapshot().unsent, "job")).toEqual([]);
  });

  it("is no line of the book where it is a job", async () => {
    const { outbox } = bench(() => "unreachable");
    await outbox.add("job", [note("job")], 1, opened);
    await outbox.add("job", [note("sign")], 2, signature);
    expect(withUnsent([], outbox.snapshot().unsent, "job").map(({ id }) => id)).toEqual(["sign"]);
  });

  it("tells what each sending met", async () => {
    const met: Answer[] = [];
    const outbox = new Outbox({
      personId: "tobin",
      store: { all: async () => [], put: async () => {}, remove: async () => {} },
      send: async () => "unreachable",
      onBooked: async () => {},
      onAnswer: (answer) => met.push(answer),
    });
    await outbox.add("job", [note("a")], 1);
    expect(met).toEqual(["unreachable"]);
  });
});
