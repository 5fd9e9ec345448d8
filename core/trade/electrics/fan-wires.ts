export const FAN_TRIGGERS = ["switch", "computer", "air-con", "manual"] as const;
export type FanTrigger = (typeof FAN_TRIGGERS)[number];

/** One wire of a drawing. */
export interface FanWire {
  id: string;
  from: string;
  to: string;
  mm2: number;
  fuseA?: number;
  /** What it does, and what to see to. */
  why: string;
}

interface Given {
  mm2: number;
  fuseA: number;
  triggers: readonly FanTrigger[];
  relayA: number | undefined;
}

/** What only commands carries next to nothing; thinner breaks in the hand. */
const COMMAND_MM2 = 0.75;
const COMMAND_FUSE_A = 5;

const ground = (mm2: number): FanWire => ({
  id: "ground",
  from: "fan −",
  to: "battery −, or bare metal at the body with its own eyelet",
  mm2,
  why: "It carries all that the feed carries: as thick, and never under a painted bolt.",
});
const feed = (mm2: number, fuseA: number, to: string): FanWire => ({
  id: "battery",
  from: "battery +",
  to,
  mm2,
  fuseA,
  why: "Live with the key off. Its fuse within a hand's breadth of the battery.",
});

const TRIGGERS: Record<FanTrigger, Pick<FanWire, "from" | "why">> = {
  switch: {
    from: "thermal switch, its other pin to ground",
    why: "Closes as the coolant gets hot, and grounds the coil.",
  },
  computer: { from: "engine computer's fan output", why: "Grounds the coil by the sensor's value." },
  "air-con": {
    from: "air-conditioning clutch feed, through a small relay",
    why: "A feed, not a ground: it draws the small relay, whose contact grounds the coil, so that the clutch never feeds it.",
  },
  manual: { from: "switch on the dash, its other side to ground", why: "By hand; it overrules no fuse." },
};

/** A bare motor: through a relay, or straight through its thermal switch where that carries it. */
export function switchedWires({ mm2, fuseA, triggers, relayA }: Given): FanWire[] {
  if (relayA === undefined)
    return [
      feed(mm2, fuseA, "thermal switch"),
      {
        id: "switched",
        from: "thermal switch",
        to: "fan +",
        mm2,
        why: "The switch carries the motor itself.",
      },
      ground(mm2),
    ];
  return [
    feed(mm2, fuseA, `relay 30 (${relayA} A)`),
    { id: "output", from: "relay 87", to: "fan +", mm2, why: "Live while the relay is drawn." },
    ground(mm2),
    {
      id: "key",
      from: "a feed that is live with the key on",
      to: "relay 86",
      mm2: COMMAND_MM2,
      fuseA: COMMAND_FUSE_A,
      why: "The coil's feed: with the key off the fan can't run.",
    },
    ...triggers.map(
      (trigger): FanWire => ({
        id: `trigger: ${trigger}`,
        to: "relay 85",
        mm2: COMMAND_MM2,
        ...TRIGGERS[trigger],
      }),
    ),
  ];
}

/** A unit with its own thermostat, relay and soft start: five wires, of which the triggers may stay unused. */
export function selfContainedWires({ mm2, fuseA, triggers }: Given): FanWire[] {
  const used = (trigger: FanTrigger) => triggers.includes(trigger);
  const idle = "Not used here: its end insulated, and tied back.";
  const command = { mm2: COMMAND_MM2 };
  return [
    feed(mm2, fuseA, "unit: battery feed"),
    {
      id: "key",
      from: "a feed that is live with the key on",
      to: "unit: key-on feed",
      ...command,
      fuseA: COMMAND_FUSE_A,
      why: "Wakes its thermostat; carries nothing else.",
    },
    { ...ground(mm2), from: "unit: ground" },
    {
      id: "trigger: air-con",
      from: used("air-con") ? "air-conditioning clutch feed" : "nothing",
      to: "unit: air-conditioning trigger",
      ...command,
      why: used("air-con") ? "Runs it while the clutch is drawn." : idle,
    },
    {
      id: "trigger: manual",
      from: used("manual") ? "switch on the dash" : "nothing",
      to: "unit: manual trigger",
      ...command,
      why: used("manual") ? "Runs it by hand." : idle,
    },
  ];
}
