import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { jobId, SHOP_ID } from "../demo/seed.ts";
import { PEOPLE } from "../demo/shop.ts";
import { demoId } from "../demo/story.ts";
import { Application } from "../e2e/support/application.ts";
import { signIn } from "../server/subjects/people/sign-in.ts";
import { newEntry, PIN, smallShop } from "../server/testing/small-shop.ts";

interface Built {
  routes: Record<
    string,
    {
      id: string;
      parentId?: string;
      path?: string;
      index?: boolean;
      module: { loader?: unknown; action?: unknown };
    }
  >;
}

let application: Application;
let built: Built;
beforeAll(async () => {
  application = await Application.open();
  built = (await import(new URL("../build/server/index.js", import.meta.url).href)) as Built;
});
afterAll(() => application.close());

const OPEN_TO_ALL = [
  "root",
  "sign-in/route",
  "device/route",
  "not-found/route",
  "offline/shell.route",
  "calendar/calendar.route",
  "shell/ready.route",
];

/** Parameters that lead to real rows of the made-up shop. */
const PARAMS: Record<string, string> = {
  ":jobId": jobId("s01"),
  ":vehicleId": demoId("vehicle:scholar"),
  ":logId": demoId("s01:log"),
  ":file": "warm-up.csv",
  ":token": "x",
};

function pathOf(id: string): string {
  const route = built.routes[id];
  if (!route) return "";
  const own = (route.path ?? "").replace(/:\w+/g, (name) => PARAMS[name] ?? name);
  const parent = route.parentId ? pathOf(route.parentId) : "";
  return own ? `${parent.replace(/\/$/, "")}/${own}` : parent || "/";
}

const guardedRoutes = () => Object.values(built.routes).filter((route) => !OPEN_TO_ALL.includes(route.id));

function ask(path: string, { cookie = "", method = "GET", origin = application.address, body = "" } = {}) {
  const headers = { Cookie: cookie, Origin: origin, ...(body ? { "Content-Type": "application/json" } : {}) };
  return fetch(`${application.address}${path}`, {
    method,
    headers,
    redirect: "manual",
    ...(method === "POST" ? { body } : {}),
  });
}

async function cookieOf(credentials: { personId: string; pin: string }, shopId: string): Promise<string> {
  const answer = await signIn(application.scratch.database, credentials, { shopId, source: "192.0.2.1" });
  if ("refused" in answer) throw new Error(answer.refused);
  return `session=${encodeURIComponent(Buffer.from(JSON.stringify(answer.token)).toString("base64"))}`;
}

const demoCookie = (key: string) => {
  const person = PEOPLE.find((each) => each.key === key);
  return cookieOf({ personId: demoId(`person:${key}`), pin: person?.pin ?? "" }, SHOP_ID);
};

describe("every route", () => {
  it("is known to this test, with a loader or action that can be asked", () => {
    expect(guardedRoutes().length).toBeGreaterThan(15);
  });

  it("turns away whoever has no session, or a made-up one", async () => {
    for (const cookie of [
      "",
      `session=${encodeURIComponent(Buffer.from(JSON.stringify(`${SHOP_ID}.${"A".repeat(43)}`)).toString("base64"))}`,
    ]) {
      for (const { id, module } of guardedRoutes()) {
        const path = pathOf(id);
        const answer = await ask(path, { cookie });
        expect([302, 401], `GET ${path}`).toContain(answer.status);
        if (answer.status === 302) expect(answer.headers.get("location")).toMatch(/^\/sign-in\?to=/);
        if (module.action)
          expect([401], `POST ${path}`).toContain(
            (await ask(path, { cookie, method: "POST", body: "{}" })).status,
          );
      }
    }
  });

  it("turns away too small a role where a bigger one is wanted", async () => {
    const [desk, technician] = [await demoCookie("dez"), await demoCookie("tobin")];
    const wanted: [string, string, string][] = [
      [`/jobs/${jobId("open-find")}/logs`, desk, "POST"],
      [`/jobs/${jobId("open-find")}/live`, desk, "POST"],
      [`/jobs/${jobId("open-find")}/signature`, desk, "POST"],
      [`/vehicles/${demoId("vehicle:scholar")}/card`, desk, "POST"],
      [`/jobs/${jobId("open-find")}/pictures`, desk, "POST"],
      [`/vehicles/${demoId("vehicle:scholar")}/say/identity`, desk, "POST"],
      [`/vehicles/${demoId("vehicle:scholar")}/levels`, desk, "POST"],
      [`/vehicles/${demoId("vehicle:scholar")}/levels.csv`, desk, "POST"],
      ["/shelf", desk, "POST"],
      ["/shelf/list.csv", desk, "POST"],
      ["/shop", desk, "POST"],
      ["/shop", technician, "POST"],
      ["/jobs/read-in.zip", technician, "POST"],
      ["/shop/whole.zip", desk, "GET"],
      ["/shop/whole.zip", technician, "GET"],
    ];
    for (const [path, cookie, method] of wanted)
      expect((await ask(path, { cookie, method, body: "{}" })).status, path).toBe(403);
    const withAction = guardedRoutes()
      .filter((route) => route.module.action)
      .map((route) => route.id);
    expect(withAction.sort()).toEqual(
      [
        "bench/practice/route",
        "job/book/entries.route",
        "today/day.route",
        "job/live/live.route",
        "job/pictures/pictures.route",
        "job/prove/logs.route",
        "job/sign/signature.route",
        "preferences/route",
        "shelf/list.route",
        "shelf/route",
        "shop/person/route",
        "shop/read-in-archive.route",
        "shop/read-in.route",
        "shop/route",
        "shop/unsent.route",
        "sign-in/sign-out.route",
        "vehicle-card/route",
        "vehicle-new/route",
        "vehicle-new/written.route",
        "vehicle/identity.route",
        "vehicle/levels/levels.route",
        "vehicle/levels/list.route",
        "vehicle/open-job.route",
        "vehicle/owner.route",
        "vehicles/take-in.route",
      ].sort(),
    );
  });

  it("refuses a post from another site, and one that doesn't say where from", async () => {
    const cookie = await demoCookie("maren");
    for (const origin of ["https://elsewhere.example", "null", ""]) {
      expect((await ask("/shop", { cookie, method: "POST", origin, body: "{}" })).status).toBe(403);
    }
  });

  it("carries the headers that keep a page its own", async () => {
    const answer = await ask("/sign-in");
    const policy = answer.headers.get("content-security-policy") ?? "";
    const scripts = policy.split(";").find((directive) => directive.startsWith("script-src")) ?? "";
    expect(scripts).toMatch(/'self' 'nonce-/);
    expect(scripts).not.toMatch(/unsafe/);
    expect(policy).toMatch(/frame-ancestors 'none'/);
    expect(answer.headers.get("x-content-type-options")).toBe("nosniff");
    expect(answer.headers.get("x-powered-by")).toBeNull();
  });

  it("answers a job that isn't there with a plain page of ours", async () => {
    const cookie = await demoCookie("maren");
    for (const path of [
      `/jobs/${randomUUID()}/ask`,
      "/jobs/nonsense/ask",
      "/vehicles/nonsense",
      "/nowhere/at/all",
    ]) {
      const answer = await ask(path, { cookie });
      expect(answer.status, path).toBe(404);
      expect(await answer.text()).toContain("Not in the book");
    }
  });
});

describe("two shops", () => {
  it("never see each other on any page, search, download or guessed address", async () => {
    const other = await smallShop(application.scratch, "Elsewhere");
    const secret = "nobody else's business";
    await other.book({ kind: "note", text: secret });
    const [ours, theirs] = [
      await demoCookie("maren"),
      await cookieOf({ personId: other.people.lead, pin: PIN }, other.shopId),
    ];
    for (const path of [
      `/jobs/${other.jobId}/ask`,
      `/jobs/${other.jobId}/job.json`,
      `/jobs/${other.jobId}/job.zip`,
      `/vehicles/${other.vehicleId}`,
    ]) {
      expect((await ask(path, { cookie: theirs })).status, path).toBe(200);
      expect((await ask(path, { cookie: ours })).status, path).toBe(404);
    }
    for (const { id } of guardedRoutes()) {
      const text = await (await ask(pathOf(id), { cookie: theirs })).text();
      expect(text, pathOf(id)).not.toMatch(/MRW|Maren|Tobin|Lantern Hill/);
    }
    for (const path of ["/", "/vehicles?find=Elsewhere", `/vehicles?find=${other.vin}`, "/shop"]) {
      expect(await (await ask(path, { cookie: ours })).text(), path).not.toMatch(
        new RegExp(`Elsewhere (Wayfarer|lead)|${secret}`),
      );
    }
    const planted = JSON.stringify({ entries: [newEntry({ kind: "note", text: "planted" })] });
    expect(
      (await ask(`/jobs/${other.jobId}/entries`, { cookie: ours, method: "POST", body: planted })).status,
    ).toBe(404);
  });
});

describe("the entries door", () => {
  const good = () => newEntry({ account: "fastener", item: "M6×20", place: "bag 1", out: 2 });
  const testEntry = (data: Record<string, string>) =>
    newEntry({ stage: "find", kind: "test", item: "fuses", data });
  const bad: [string, () => unknown][] = [
    ["nothing", () => ({})],
    ["an unknown field", () => ({ entries: [{ ...good(), price: 4 }] })],
    ["an unknown field in its data", () => ({ entries: [{ ...good(), data: { signed: true } }] })],
    ["a test nobody knows", () => ({ entries: [testEntry({ test: "x-ray", outcome: "pass" })] })],
    [
      "an outcome its test doesn't have",
      () => ({ entries: [testEntry({ test: "fuses", outcome: "melted" })] }),
    ],
    ["a test without its outcome", () => ({ entries: [testEntry({ test: "fuses" })] })],
    ["a fault nobody knows", () => ({ entries: [testEntry({ hypothesis: "gremlin" })] })],
    ["an eighth kind of circuit", () => ({ entries: [testEntry({ circuit: "steam" })] })],
    ["an unknown account", () => ({ entries: [{ ...good(), account: "money" }] })],
    ["half a bolt", () => ({ entries: [{ ...good(), out: 0.5 }] })],
    ["too many", () => ({ entries: [{ ...good(), out: 5000 }] })],
    ["a figure that isn't one", () => ({ entries: [{ ...good(), out: "2" }] })],
    ["an over-long text", () => ({ entries: [{ ...good(), text: "x".repeat(2001) }] })],
    ["out and in at once", () => ({ entries: [{ ...good(), in: 1 }] })],
    ["an id that isn't one", () => ({ entries: [{ ...good(), id: "1" }] })],
    ["fifty-one entries", () => ({ entries: Array.from({ length: 51 }, good) })],
    ["a string", () => "no"],
  ];

  it.each(bad)("refuses %s with a sentence", async (_, body) => {
    const cookie = await demoCookie("tobin");
    const answer = await ask(`/jobs/${jobId("open-find")}/entries`, {
      cookie,
      method: "POST",
      body: JSON.stringify(body()),
    });
    expect(answer.status).toBe(422);
    const { refused } = (await answer.json()) as {
      refused: { message: string; fields: Record<string, string> };
    };
    expect(`${refused.message}${Object.values(refused.fields).join(" ")}`).toMatch(/\w+ \w+/);
  });

  it("refuses what can't be read, and a body of 60 MB by its length", async () => {
    const cookie = await demoCookie("tobin");
    expect(
      (await ask(`/jobs/${jobId("open-find")}/entries`, { cookie, method: "POST", body: "{" })).status,
    ).toBe(400);
    const large = await ask(`/jobs/${jobId("open-find")}/logs`, {
      cookie,
      method: "POST",
      body: "x".repeat(60_000_000),
    }).catch(() => undefined);
    if (large) expect(large.status).toBe(413);
  });
});
