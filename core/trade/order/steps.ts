import type { Feature, Goal, WorkStep } from "./step.ts";

interface Known extends Omit<WorkStep, "waitMinutes" | "people" | "tools"> {
  /** For which jobs; and which of the vehicle's features bring it in, any where there are none. */
  goals: readonly Goal[];
  only?: readonly Feature[];
  waitMinutes?: number;
  /** Until so long after it nothing that needs it is begun, on cars with this. */
  rests?: { minutes: number; only: Feature };
  people?: 1 | 2;
  tools?: readonly string[];
}

const FRONT: readonly Goal[] = ["radiator"];
const FAN: readonly Goal[] = ["radiator", "fan only"];
const ALL: readonly Goal[] = ["radiator", "fan only", "switch only"];

/**
 * What is done to a front end, in the order in which it keeps being done, and what holds what up. Minutes are those of a
 * practised hand on a small van; a shop's own last job on the same model says better. Needs that aren't in a job's
 * steps don't hold it up.
 */
export const KNOWN_STEPS: readonly Known[] = [
  {
    id: "cold",
    isCold: true,
    name: "Engine cold",
    why: "A hot system is under pressure, and its fan may start at any moment.",
    goals: ALL,
    needs: [],
    minutes: 2,
    caution: "The cap comes off cold, by its first notch, cloth over it.",
  },
  {
    id: "battery",
    name: "Battery off",
    why: "No fan starts, and no plug is live: lamps, fans, airbags.",
    goals: ALL,
    needs: [],
    minutes: 5,
    rests: { minutes: 10, only: "airbag plugs near" },
    tools: ["10 mm spanner"],
    caution: "With airbag plugs near: wait after it before any yellow plug is touched.",
  },
  {
    id: "stands",
    name: "Car on stands",
    why: "Undertray and drain are below.",
    goals: FRONT,
    needs: [],
    minutes: 10,
    tools: ["jack", "two stands"],
    caution: "Stands, not the jack.",
  },
  {
    id: "undertray",
    name: "Undertray off",
    why: "The drain and the lower hose are behind it.",
    goals: FRONT,
    only: ["undertray"],
    needs: [{ id: "stands", because: "nobody reaches it from above" }],
    minutes: 10,
    tools: ["T25", "clip lifter"],
  },
  {
    id: "drain",
    isCold: true,
    name: "Coolant drained and measured",
    why: "What goes back in is told by what came out.",
    goals: FRONT,
    needs: [
      { id: "cold", because: "hot coolant comes out under pressure" },
      { id: "undertray", because: "the tap is behind it" },
    ],
    minutes: 5,
    waitMinutes: 15,
    tools: ["drain pan", "measuring jug"],
    caution: "Catch it, wipe it, rinse it: it poisons animals.",
  },
  {
    id: "intake",
    name: "Intake out of the way",
    why: "Upper hose and shroud are under it.",
    goals: FAN,
    only: ["intake in the way"],
    needs: [],
    minutes: 10,
    tools: ["flat screwdriver"],
  },
  {
    id: "lamps",
    name: "Lamp plugs off",
    why: "Their wires are shorter than the bumper's way out.",
    goals: FRONT,
    only: ["lamps in the bumper"],
    needs: [{ id: "battery", because: "a live lamp plug shorts on the bar" }],
    minutes: 5,
  },
  {
    id: "bumper",
    name: "Bumper off",
    why: "What is in front of the radiator comes out forwards.",
    goals: FRONT,
    only: ["bumper in the way"],
    needs: [
      { id: "undertray", because: "its lower edge is screwed to the undertray" },
      { id: "lamps", because: "it would hang on their wires" },
      { id: "battery", because: "airbag plugs are behind it" },
    ],
    minutes: 25,
    people: 2,
    tools: ["T30", "clip lifter"],
  },
  {
    id: "shutters",
    name: "Grille shutters off",
    why: "They stand before the coolers.",
    goals: FRONT,
    only: ["grille shutters"],
    needs: [{ id: "bumper", because: "they are fixed behind it" }],
    minutes: 10,
  },
  {
    id: "plugs",
    name: "Fan and switch plugs off",
    why: "A loom torn off is a day's work.",
    goals: FAN,
    needs: [
      { id: "cold", because: "the fan may start while fingers are in it" },
      { id: "battery", because: "they are live till then" },
    ],
    minutes: 5,
    caution: "Push the lock, pull the plug, never the wires. Note which side each serves.",
  },
  {
    id: "hoses",
    isCold: true,
    name: "Hoses off",
    why: "Twisted loose, never levered: necks crack.",
    goals: FRONT,
    needs: [
      { id: "drain", because: "what is left in it runs over the floor and the belts" },
      { id: "intake", because: "the upper clamp is under it" },
    ],
    minutes: 10,
    tools: ["clamp pliers"],
  },
  {
    id: "oil-lines",
    name: "Oil cooler lines off and capped",
    why: "Coolant in a gearbox ruins it.",
    goals: FRONT,
    only: ["oil cooler lines"],
    needs: [{ id: "undertray", because: "their unions are behind it" }],
    minutes: 10,
    tools: ["line spanner", "caps"],
    caution: "Cap both ends at once.",
  },
  {
    id: "fan",
    name: "Shroud and fan out",
    why: "It has to be away before the radiator moves, or it scrapes its fins.",
    goals: FAN,
    needs: [
      { id: "plugs", because: "it would hang on its loom" },
      { id: "intake", because: "there is no way past it" },
      { id: "hoses", because: "the upper hose lies across the shroud" },
    ],
    minutes: 15,
    tools: ["8 mm socket"],
    caution: "A board before the core: bent fins cut, and don't cool.",
  },
  {
    id: "charge-cooler",
    name: "Charge cooler unhooked",
    why: "It stands on the radiator or before it.",
    goals: FRONT,
    only: ["charge cooler"],
    needs: [{ id: "bumper", because: "it comes off forwards" }],
    minutes: 15,
  },
  {
    id: "condenser",
    name: "Condenser unhooked and hung up",
    why: "Its lines stay closed and must not carry it.",
    goals: FRONT,
    only: ["condenser"],
    needs: [
      { id: "bumper", because: "its hooks are behind it" },
      { id: "shutters", because: "they are fixed to it" },
    ],
    minutes: 15,
    people: 2,
    tools: ["two straps"],
    caution: "Refrigerant stays in its lines: licensed people only.",
  },
  {
    id: "radiator",
    name: "Brackets off, radiator out",
    why: "Up or down, whichever way its pegs let it.",
    goals: FRONT,
    needs: [
      { id: "drain", because: "what is left in it runs over the floor and the belts" },
      { id: "hoses", because: "they still hold it" },
      { id: "oil-lines", because: "they still hold it, and would bend" },
      { id: "fan", because: "the fan would scrape its fins" },
      { id: "charge-cooler", because: "it hangs on the radiator" },
      { id: "condenser", because: "it would hang by its lines" },
    ],
    minutes: 15,
    people: 2,
    tools: ["10 mm socket"],
  },
  {
    id: "new-switch",
    name: "New switch in hand, its seal on it first",
    why: "The hole stands open for no longer than a hand takes.",
    goals: ["switch only"],
    needs: [],
    minutes: 2,
  },
  {
    id: "pan",
    isCold: true,
    name: "Catch pan below, cap on",
    why: "With the cap on little comes out while the hole is open.",
    goals: ["switch only"],
    needs: [{ id: "cold", because: "hot coolant comes out under pressure" }],
    minutes: 3,
    tools: ["catch pan"],
  },
  {
    id: "swap",
    isCold: true,
    name: "Plug off, old switch out, new one in",
    why: "In one go; into plastic snug only.",
    goals: ["switch only"],
    needs: [
      { id: "pan", because: "what comes out is to be caught and measured" },
      { id: "new-switch", because: "the hole would stand open while it is looked for" },
      { id: "battery", because: "its plug is live till then" },
    ],
    minutes: 10,
    tools: ["29 mm socket"],
  },
];
