import type { TestKnowledge } from "./knowledge.ts";
import { fails, passes, RUNS, STANDS, shows } from "./outcome-words.ts";

/** Somebody asks for the fan with a lead in place of what asks for it: it runs, or something on the way is open. */
function byLead(
  id: string,
  name: string,
  how: string,
  { minutes = 4, ran = "Fan ran", mayBite = true } = {},
): TestKnowledge {
  return {
    id,
    name,
    minutes,
    needs: ["fused jumper"],
    how,
    hazards: ["live feed", "fan may start"],
    outcomes: [passes("runs", ran), fails("stands", "Nothing")],
    usual: RUNS,
    usualReason: "a jumper that didn't touch",
    broken: STANDS,
    brokenReason: "one open place and nothing moves",
    sees: mayBite
      ? [{ row: [0.6, 0.4], faults: ["switch-plug"], reason: "the jumper may bite where the switch doesn't" }]
      : [],
  };
}

/** Tests of thermal switches and relays, and of what they switch. */
export const SWITCH_TESTS: TestKnowledge[] = [
  {
    id: "stamp",
    name: "Read the switch's stamp against the card",
    minutes: 3,
    needs: ["lamp", "the card"],
    how: "Wipe the hexagon, read both pairs. On is the higher of a pair. Three to five degrees off the card is tolerance, ten is another switch.",
    hazards: ["hot coolant"],
    outcomes: [
      passes("matches", "As the card"),
      fails("other", "Another rating"),
      shows("unread", "Can't be read"),
    ],
    usual: [0.86, 0.02, 0.12],
    usualReason: "one in eight can't be read for dirt",
    sees: [{ row: [0.02, 0.86, 0.12], faults: ["switch-rating"], reason: "that is what the stamp is for" }],
  },
  byLead(
    "jumper",
    "Bridge the switch plug",
    "Key on, plug off the switch, jumper across its two pins. If the fan runs, feed, wiring, motor and ground are proven and the switch is what's left.",
  ),
  byLead(
    "jumper-low",
    "Bridge the low pair at the switch plug",
    "Key on, plug off the switch, jumper from common to low. If the fan runs slowly, everything on the low path but the switch is proven.",
    { ran: "Fan ran, slow" },
  ),
  byLead(
    "jumper-high",
    "Bridge the high pair at the switch plug",
    "Jumper from common to high. The fan must run at full speed. Low dead and high alive is the resistor or its wire.",
    { minutes: 3, ran: "Fan ran, fast" },
  ),
  byLead(
    "manual-trigger",
    "Manual trigger to plus: does the unit run?",
    "Plug off at the unit's trigger wire, fused jumper from it to plus. If it runs, feed, ground, soft start and motor are proven and its thermostat or key-on feed is what's left.",
    { mayBite: false },
  ),
  byLead(
    "ground-command",
    "Ground the command wire at the switch plug",
    "Key on, plug off, the relay's wire to ground through the jumper. Relays must click and fans run.",
  ),
  {
    id: "switch-hot",
    name: "Measure the switch hot, unplugged",
    minutes: 12,
    needs: ["meter", "engine past the switch's start"],
    how: "Engine past the stamp's start by five degrees on the live value. Plug off, ohms between the pins: it must have closed. Below its start the test says nothing.",
    hazards: ["fan may start", "engine running", "hot coolant"],
    outcomes: [passes("closed", "Closed"), fails("open", "Open")],
    usual: [0.93, 0.07],
    usualReason: "the tank may be cooler than the sensor says",
    sees: [
      { row: [0.04, 0.96], faults: ["switch-open"], reason: "never closes" },
      {
        row: [0.35, 0.65],
        faults: ["switch-drifted", "switch-rating"],
        reason: "closes later than it is told",
      },
      { row: [0.15, 0.85], faults: ["switch-low-dead"], reason: "the stage that is measured first" },
      { row: [0.7, 0.3], faults: ["switch-high-dead"], reason: "the high stage is rarely reached" },
    ],
  },
  {
    id: "switch-pot",
    name: "Switch in the pot with a thermometer",
    minutes: 35,
    needs: ["pot and heat", "thermometer", "meter", "catch pan"],
    how: "Swap it out with the cap on, hang it in water, heat slowly and stir. Note where each stage closes and, cooling, where it opens; hold both against the stamp.",
    hazards: ["pressure", "poison"],
    outcomes: [
      passes("within", "Within its stamp"),
      fails("off", "Off its stamp"),
      fails("never", "Never closes"),
      fails("stays", "Stays closed"),
      fails("one-stage", "One stage dead"),
    ],
    usual: [0.95, 0.03, 0.01, 0.005, 0.005],
    usualReason: "a thermometer two degrees out",
    sees: [
      { row: [0.01, 0.03, 0.94, 0.01, 0.01], faults: ["switch-open"], reason: "seen with one's own eyes" },
      { row: [0.01, 0.03, 0.01, 0.94, 0.01], faults: ["switch-stuck"], reason: "seen with one's own eyes" },
      {
        row: [0.08, 0.89, 0.01, 0.01, 0.01],
        faults: ["switch-drifted"],
        reason: "small drifts hide in tolerance",
      },
      {
        row: [0.02, 0.03, 0.04, 0.01, 0.9],
        faults: ["switch-low-dead", "switch-high-dead"],
        reason: "seen stage by stage",
      },
    ],
  },
  {
    id: "switch-unplug",
    name: "Unplug the switch: does the fan stop?",
    minutes: 2,
    needs: [],
    how: "Fan running cold: plug off the thermal switch. If it stops, the switch stayed closed. If it goes on, something behind it calls.",
    hazards: ["fan may start"],
    outcomes: [passes("same", "No change"), fails("stops", "It stops")],
    usual: [0.97, 0.03],
    usualReason: "it happened to stop by itself",
    sees: [{ row: [0.04, 0.96], faults: ["switch-stuck"], reason: "nothing else is unplugged" }],
  },
  {
    id: "relay-swap",
    name: "Swap the relay with a known good twin",
    minutes: 3,
    needs: ["twin relay"],
    how: "A relay of the same print from a circuit that works. Then ask for the fan again: hot, air conditioning on, or by jumper.",
    hazards: ["fan may start"],
    outcomes: [passes("same", "No change"), fails("cured", "Now it is right")],
    usual: [0.97, 0.03],
    usualReason: "a socket that was wiggled into contact",
    sees: [
      {
        row: [0.05, 0.95],
        faults: ["relay-coil", "relay-contacts", "relay-welded"],
        reason: "unless the twin is no better",
      },
    ],
  },
  {
    id: "relay-socket",
    name: "Relay socket by meter: 30, 85, 86, 87",
    minutes: 8,
    needs: ["meter"],
    how: "Fan asked for. Feed at 30, command across 85 and 86, and a bridge from 30 to 87 runs the fan. The first one missing says which way to go.",
    hazards: ["live feed", "fan may start"],
    outcomes: [
      passes("all", "All there"),
      fails("no-feed", "No feed at 30"),
      fails("no-command", "No command"),
      fails("no-output", "Bridged, no fan"),
    ],
    usual: [0.9, 0.02, 0.06, 0.02],
    usualReason: "the fan is not always asked for when one thinks so",
    sees: [
      {
        row: [0.03, 0.93, 0.02, 0.02],
        faults: ["fuse", "feed"],
        reason: "the feed is measured at the socket",
      },
      {
        row: [0.04, 0.01, 0.93, 0.02],
        faults: ["switch-open", "switch-plug", "control-wire", "computer"],
        reason: "whatever commands it doesn't",
      },
      {
        row: [0.35, 0.01, 0.62, 0.02],
        faults: ["sensor-biased", "sensor-plug"],
        reason: "asked for too late",
      },
      { row: [0.03, 0.02, 0.02, 0.93], faults: ["motor", "ground"], reason: "behind the socket" },
      {
        row: [0.93, 0.02, 0.03, 0.02],
        faults: ["relay-coil", "relay-contacts"],
        reason: "only the relay is left",
      },
    ],
  },
];
