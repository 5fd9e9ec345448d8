/** A figure as it stands in a line, with a sign where there is one. */
const N = "(-?\\d+(?:[.,]\\d+)*)";
const DEGREES = "(?: ?(?:degrees?|degs?|c|f|°c|°f|°))?";
const VOLUME =
  "((?:\\d+(?:[.,]\\d+)?) ?(?:l|litres?|liters?|qts?|quarts?|gals?|gallons?|pints?|pts?|ml)\\b.*?)";
const FAN = "((?:left |right |low |high )?fans?)";

/** How a thing is said to come off by somebody at a car. */
const PULLED = "(?:pulled|popped|yanked|whipped)";
/** What is let down; anything else that was dropped has fallen. */
const LET_DOWN = "(?:undertray|under tray|splash shield|splash guard|skid plate|belly pan|tray)";
const OIL_LINES =
  "(?:oil|oil cooler|cooler|gearbox|gearbox cooler|trans|transmission|trans cooler|transmission cooler|atf|atf cooler) lines";

/**
 * What is muttered, and the line that says the same in the words of the book; the second is read as if it had been typed.
 * Each is whole: a word that the pattern doesn't hold makes it another line.
 */
const FORMS: readonly (readonly [string, string])[] = [
  // Temperatures
  [`(?:(?:engine|temp|temperature|needle) (?:is )?(?:at )?|coolant (?:is )?at )${N}${DEGREES}`, "ect $1"],
  [`(?:hit |got to |up to |at )?${N}${DEGREES},? (?:and )?(?:still )?no fans?`, "no fan at $1"],
  [`${FAN} (?:kicks|kicked|comes|came|cycles|cycled) (on|in) at ${N}${DEGREES}`, "$1 on at $3"],
  [`${FAN} on at ${N}${DEGREES}`, "$1 on at $2"],
  [
    `${FAN} (?:shut|shuts|cycled|cycles|cut|went|goes) (?:off|out)(?: again)? at ${N}${DEGREES}`,
    "$1 off at $2",
  ],
  [`${FAN} off again at ${N}${DEGREES}`, "$1 off at $2"],
  [`(?:it is |it )?${N}${DEGREES} in (?:here|shop|bay|room)`, "room $1"],
  [`(?:shop|bay) (?:is )?(?:at )?${N}${DEGREES}`, "room $1"],
  // Distance
  [`(?:clock|odo|odometer) (?:says|reads|shows|is at) ([\\d ,.]+)(?: km| miles)?`, "odo $1"],
  [`([\\d ,.]+)(?: km| miles)? on (?:clock|odo|odometer)`, "odo $1"],
  [`([\\d ,.]+) (miles|km) on it`, "odo $1 $2"],
  // Litres
  [`(?:got |let |took )${VOLUME} out`, "drain $1"],
  [`(?:took|it took|takes) ${VOLUME}`, "add $1"],
  [`(?:another )?${VOLUME} (?:went|gone|going) in`, "add $1"],
  [`${VOLUME} (?:in|more)`, "add $1"],
  [`${VOLUME} came out`, "drain $1"],
  [`(?:lost |spilled |spilt )?${VOLUME} on floor`, "spill $1"],
  [`(?:topped|filled) it (?:up|off)(?: with)? ${VOLUME}`, "top up $1"],
  [`(?:put|poured) in ${VOLUME}`, "add $1"],
  [`(?:put|poured) ${VOLUME} in`, "add $1"],
  ["got (\\d+[.,]\\d+) out|(\\d+[.,]\\d+) came out", "drain $1$2"],
  [`${VOLUME} (?:is )?in (?:drain |catch )?pan`, "drain $1"],
  [`(?:pan has|caught) ${VOLUME}`, "drain $1"],
  // Levels
  ["(?:coolant|level|reservoir|tank|bit|a bit) (?:is )?low(?: on coolant)?", "level low"],
  ["low on coolant", "level low"],
  ["(?:coolant|reservoir|tank) (?:is )?below (?:min|minimum)", "level low"],
  ["(?:coolant|reservoir|tank|bone|header tank|expansion tank) (?:is )?(?:bone )?empty", "level empty"],
  ["no coolant in (?:it|tank|reservoir|expansion tank|header tank)", "level empty"],
  ["(?:coolant|reservoir|tank|cold level|level) (?:is )?(?:at|on) (?:line|mark),? ?cold", "level line cold"],
  ["cold level (?:is )?(?:at|on) (?:line|mark)", "level line cold"],
  // Things off and on
  [`${OIL_LINES} off,? (?:and )?(?:both )?capped`, "2 oil cooler lines off; oil cooler lines capped"],
  [`capped ${OIL_LINES}|${OIL_LINES} capped`, "oil cooler lines capped"],
  [`${PULLED} (?:off )?(.+) (?:plug|connector)(?: off)?`, "unplug $1"],
  ["(.+) (?:is )?unplugged", "unplug $1"],
  [
    `${PULLED} (?:off )?(?!new |codes?\\b|[pbcu]\\d|.*\\b(?:in|on|back|again|to)\\b)(.+?)(?: off| out)?`,
    "$1 off",
  ],
  ["front bumper (?:is )?off", "bumper off"],
  ["(.+) (?:is )?(?:out of car|on bench)", "$1 out"],
  ["(?:negative|battery|ground) (?:lead|cable) (?:is )?off", "battery lead off"],
  [
    "hung (?:up )?(.+?)(?: up)?|(?:zip )?tied (?:up )?(.+?)(?: up)?|((?:.+ )?(?:condenser|cooler)) (?:unhooked|tied up)",
    "$1$2$3 hung up",
  ],
  ["(.+) (?:bolted|clipped|pushed|dropped|set) (?:back )?(in|on)", "$1 $2"],
  ["(.+) (?:is )?down", "$1 off"],
  ["(.+) (?:is )?off now", "$1 off"],
  ["(.+) back on,? (?:and )?(?:clamped|tight|tightened)", "$1 back on"],
  [`dropped (${LET_DOWN})`, "$1 off"],
  ["(?:put|dropped|popped|set) new (.+?) (?:back )?in", "$1 in"],
  ["(?:found|got) (.+) back", "$1 back"],
  ["found ((?:\\d+ ?mm )?(?:socket|spanner|wrench|ratchet|magnet|torch))", "$1 back"],
  ["(.*?)\\b(\\d+) ?mils?\\b (socket|spanner|wrench)(.*)", "$1$2mm $3$4"],
  ["(.*?)\\b(\\d+) ?mils?( bolts?)? (?:out of|off|out) (.+)", "$1$2mm$3 $4 out"],
  // What broke or is gone
  [
    "(\\d+|one|two|three|four|five|six|a) (?!.* off$)(.+?) (?:is |are )?(?:broke|broken|snapped|sheared)",
    "broke $1 $2",
  ],
  [
    "(?!.*\\d)((?:[a-z]+ )?(?:clip|pin|screw|bolt|tab|nipple)) (?:is )?(?:broke|broken|snapped|sheared)",
    "broke 1 $1",
  ],
  ["busted (.+)", "broke $1"],
  ["broke (.+) on (.+)", "broke $1 $2"],
  ["(\\d+|one|two|three|four|five|six|a) (.+?) (?:is |are |went )?(?:missing|gone)", "lost $1 $2"],
  [
    "((?:[a-z]+ )?(?:clip|pin|screw|bolt|nut|washer|grommet|bush|strip|shield|undertray|tray|baffle|seal)) (?:is |went )?(?:missing|gone)",
    "lost 1 $1",
  ],
  ["owner (?:declined|refused|says no to|said no to) (?:new )?(.+)", "seen $1 declined"],
  [
    "(?:missing|short) (\\d+|one|two|three|four|five|six|a) (?!l\\b|litres?|liters?|qts?|quarts?|pints?)([a-z].+)",
    "lost $1 $2",
  ],
];

const COMPILED = FORMS.map(([pattern, line]) => [new RegExp(`^(?:${pattern})$`), line] as const);

/** The lines in the words of the book that say what was muttered; nothing where it is no such saying. */
export function bookWords(said: string): string[] | undefined {
  for (const [pattern, line] of COMPILED) {
    const found = pattern.exec(said);
    if (found)
      return said
        .replace(pattern, line)
        .split(";")
        .map((each) => each.replace(/\s+/g, " ").trim());
  }
  return undefined;
}
