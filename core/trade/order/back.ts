/** What is looked at as a thing goes back, by the kind of thing. */
export interface FitCheckKind {
  id: string;
  title: string;
  checks: readonly { id: string; words: string; wrong: string }[];
}

/** Every check, its own words when it is right and when it isn't. Ids are stored, so they never change. */
export const FIT_CHECKS: readonly FitCheckKind[] = [
  {
    id: "radiator",
    title: "Radiator",
    checks: [
      {
        id: "pegs",
        words: "pegs pulled at the bottom: they stay",
        wrong: "a lower peg comes out of its bush",
      },
      { id: "pinched", words: "nothing pinched between", wrong: "something is pinched behind the radiator" },
      { id: "fins", words: "fins clear and straight", wrong: "fins bent or shut" },
      { id: "foam", words: "foam strips and baffles in place", wrong: "a foam strip or baffle is missing" },
    ],
  },
  {
    id: "fan",
    title: "Fan",
    checks: [
      {
        id: "fan-bench",
        words: "new fan run on a fused lead before it went in: it pulls toward the engine",
        wrong: "the new fan doesn't run on the bench",
      },
      { id: "shroud", words: "shroud feet in their saddles", wrong: "a shroud foot is out of its saddle" },
      { id: "blades", words: "blades turn free by hand", wrong: "the blades touch" },
      {
        id: "fan-pulls",
        words: "fan run: it pulls toward the engine",
        wrong: "the fan blows away from the engine",
      },
    ],
  },
  {
    id: "plug",
    title: "Plugs",
    checks: [
      { id: "click", words: "pushed until they click, then tugged", wrong: "a plug comes off when tugged" },
      { id: "red-lock", words: "red locks pushed home", wrong: "a red lock won't go home" },
      { id: "sides", words: "left on left, right on right", wrong: "left and right plugs are changed over" },
      {
        id: "loom",
        words: "loom taped and clipped clear of the fan",
        wrong: "the loom lies against the fan",
      },
    ],
  },
  {
    id: "hose",
    title: "Hoses",
    checks: [
      {
        id: "clamp",
        words: "clamp where it was, or 6 mm from the end and wholly behind the bead",
        wrong: "a clamp sits on the bead or not where it was",
      },
      {
        id: "o-ring",
        words: "spring-clip hoses: o-ring looked at, clicked, tugged",
        wrong: "an o-ring is cut or flat",
      },
      { id: "hose-clear", words: "hoses clear of belt, fan and sharp edges", wrong: "a hose rubs" },
    ],
  },
  {
    id: "line",
    title: "Oil cooler lines",
    checks: [
      { id: "caps-off", words: "caps off and counted", wrong: "a cap is still on a line" },
      { id: "union", words: "unions started by hand", wrong: "a union is crossed" },
    ],
  },
  {
    id: "fastener",
    title: "Bolts, screws and clips",
    checks: [
      { id: "by-hand", words: "all started by hand before any is tightened", wrong: "a thread is crossed" },
      {
        id: "snug",
        words: "into plastic only snug, coarse screws straight",
        wrong: "a plastic boss is cracked or stripped",
      },
      {
        id: "odd-one",
        words: "the one that differs from its neighbours in its own place",
        wrong: "an odd screw has no place",
      },
    ],
  },
  {
    id: "front",
    title: "Before the front closes",
    checks: [
      {
        id: "trial",
        words: "fan and covers tried in their places",
        wrong: "a cover doesn't fit over the new part",
      },
      {
        id: "latch",
        words: "bonnet latch lined up, tried shut and open",
        wrong: "the bonnet latch doesn't catch",
      },
      { id: "lamps", words: "every lamp tried", wrong: "a lamp is dark" },
      { id: "tray", words: "nothing left in the undertray", wrong: "something lies in the undertray" },
    ],
  },
];

export const checkKnown = (id: string) =>
  FIT_CHECKS.flatMap(({ checks }) => checks).find((check) => check.id === id);

/** How a step of the way out is undone. Steps that leave nothing to undo have none. */
export interface WayBack {
  name: string;
  /** What is open while it isn't undone. */
  open: string;
  /** What the step writes out of the car, and so back in. */
  takes?: readonly { account: "part" | "hose"; item: string; place?: string }[];
  checks: readonly string[];
  /** What has to be seen before, and why: advice, it holds nobody. */
  after?: readonly {
    check: string;
    /** Seen instead, it will do as well: a fan run on the bench has shown its direction. */
    or?: string;
    because: string;
  }[];
}

export const WAYS_BACK: Readonly<Record<string, WayBack>> = {
  battery: { name: "Battery on", open: "battery still off", checks: [] },
  stands: { name: "Car down off its stands", open: "car still on its stands", checks: [] },
  undertray: {
    name: "Undertray on",
    open: "undertray still off",
    takes: [{ account: "part", item: "undertray" }],
    checks: ["tray", "odd-one"],
  },
  drain: { name: "Drain shut", open: "drain still open", checks: [] },
  intake: {
    name: "Intake back",
    open: "intake still off",
    takes: [{ account: "part", item: "airbox" }],
    checks: ["hose-clear"],
  },
  lamps: { name: "Lamp plugs on", open: "lamp plugs still off", checks: ["lamps"] },
  bumper: {
    name: "Bumper on",
    open: "bumper still off",
    takes: [{ account: "part", item: "bumper" }],
    checks: ["latch"],
    after: [
      {
        check: "fan-pulls",
        or: "fan-bench",
        because: "behind the bumper nobody sees it turn the wrong way",
      },
      { check: "trial", because: "what doesn't fit is found out with the front open" },
    ],
  },
  shutters: {
    name: "Grille shutters on",
    open: "grille shutters still off",
    takes: [{ account: "part", item: "grille shutters" }],
    checks: [],
  },
  plugs: {
    name: "Fan and switch plugs on",
    open: "fan and switch plugs still off",
    checks: ["click", "red-lock", "sides", "loom"],
  },
  hoses: {
    name: "Hoses on",
    open: "hoses still off",
    takes: [
      { account: "hose", item: "hose", place: "upper" },
      { account: "hose", item: "hose", place: "lower" },
    ],
    checks: ["clamp", "o-ring", "hose-clear"],
  },
  "oil-lines": {
    name: "Oil cooler lines on, caps off",
    open: "oil cooler lines still off",
    checks: ["caps-off", "union", "o-ring"],
  },
  fan: {
    name: "Shroud and fan in",
    open: "shroud and fan still out",
    takes: [
      { account: "part", item: "shroud" },
      { account: "part", item: "fan" },
    ],
    checks: ["fan-bench", "shroud", "blades"],
  },
  "charge-cooler": {
    name: "Charge cooler back on its hooks",
    open: "charge cooler still unhooked",
    checks: ["pinched"],
  },
  condenser: {
    name: "Condenser back on its hooks",
    open: "condenser still hung up",
    checks: ["pinched", "foam"],
  },
  radiator: {
    name: "Radiator in, brackets on",
    open: "radiator still out",
    takes: [{ account: "part", item: "radiator" }],
    checks: ["pegs", "pinched", "fins", "by-hand"],
  },
};
