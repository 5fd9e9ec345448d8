import { bytesOf, hexOf, QUANTITIES, QUANTITY_NAMES, type QuantityName } from "./quantities.ts";
import { BLOCKS, supportedIn } from "./supported.ts";
import { troubleCodes } from "./trouble-codes.ts";

/** What is asked of a port. `fan` runs the fan by command, or lets it go again. */
export type PortRequest =
  | { ask: "value"; of: QuantityName }
  | { ask: "supported"; block: (typeof BLOCKS)[number] }
  | { ask: "codes" }
  | { ask: "clear" }
  | { ask: "fan"; isOn: boolean };

export type PortAnswer =
  | { is: "value"; value: number }
  | { is: "supported"; pids: number[] }
  | { is: "codes"; codes: string[] }
  | { is: "done" }
  /** The car hasn't got it, or won't. */
  | { is: "none" }
  /** Nothing that can be believed, with why. */
  | { is: "garbage"; because: string };

const SHOWN_LETTERS = 40;
const MOST_CODES = 60;
/** An answer of service N begins with N and 40 hex more; a refusal with 7F and N. Source: ISO 14230-3. */
const ANSWERS = 0x40;
const REFUSES = 0x7f;
/** Input and output control of the cooling fan: short-term adjustment, or control given back. Source: ISO 14229-1, service 2F. */
const FAN = [0x2f, 0xf0, 0x01] as const;
const ADJUST = 0x03;
const GIVE_BACK = 0x00;

function bytesAsked(request: PortRequest): number[] {
  switch (request.ask) {
    case "value":
      return [0x01, QUANTITIES[request.of].pid];
    case "supported":
      return [0x01, request.block];
    case "codes":
      return [0x03];
    case "clear":
      return [0x04];
    case "fan":
      return [...FAN, request.isOn ? ADJUST : GIVE_BACK];
  }
}

/** A request as its line of hex text. */
export const requestLine = (request: PortRequest): string => hexOf(bytesAsked(request));

/** The request that a line of hex asks; nothing where it asks for none that is known here. */
export function readRequest(line: string): PortRequest | undefined {
  const text = line.trim().toUpperCase().replaceAll(" ", "");
  const all: PortRequest[] = [
    ...QUANTITY_NAMES.map((of) => ({ ask: "value", of }) as const),
    ...BLOCKS.map((block) => ({ ask: "supported", block }) as const),
    { ask: "codes" },
    { ask: "clear" },
    { ask: "fan", isOn: true },
    { ask: "fan", isOn: false },
  ];
  return all.find((each) => requestLine(each).replaceAll(" ", "") === text);
}

/** The line by which a car answers with a value. */
export function valueLine(of: QuantityName, value: number): string {
  const { pid, bytes, whole } = QUANTITIES[of];
  return hexOf([0x41, pid, ...bytesOf(whole(value), bytes)]);
}

const garbage = (because: string): PortAnswer => ({ is: "garbage", because });
const shown = (line: string) => (line.length > SHOWN_LETTERS ? `${line.slice(0, SHOWN_LETTERS)}…` : line);

/**
 * What a line answers to a request. Hex in pairs, with or without spaces, capital letters or not; “no data” and a refusal are none,
 * whatever can't be the answer to that request is garbage with its reason: a half line, another value's, one too long. Units as in
 * `QUANTITIES`.
 */
export function readAnswer(request: PortRequest, line: string): PortAnswer {
  const text = line.trim();
  if (/^(?:no data|none|unsupported)$/i.test(text)) return { is: "none" };
  const digits = text.replaceAll(" ", "");
  if (!/^(?:[0-9a-f]{2})+$/i.test(digits)) return garbage(`“${shown(text)}” is no pairs of hex digits.`);
  const bytes = digits.match(/../g)?.map((pair) => Number.parseInt(pair, 16)) ?? [];
  const asked = bytesAsked(request);
  const [service = 0] = asked;
  if (bytes[0] === REFUSES && bytes[1] === service) return { is: "none" };
  const head = [service + ANSWERS, ...asked.slice(1)];
  if (!head.every((byte, at) => bytes[at] === byte))
    return garbage(`“${shown(text)}” doesn't answer ${hexOf(asked)}.`);
  const rest = bytes.slice(head.length);
  switch (request.ask) {
    case "value": {
      const quantity = QUANTITIES[request.of];
      if (rest.length !== quantity.bytes)
        return garbage(`“${shown(text)}” has ${rest.length} bytes of a value of ${quantity.bytes}.`);
      return { is: "value", value: quantity.value(rest.reduce((sum, byte) => sum * 256 + byte, 0)) };
    }
    case "supported":
      return rest.length === 4
        ? { is: "supported", pids: supportedIn(request.block, rest) }
        : garbage(`“${shown(text)}” has ${rest.length} bytes of four.`);
    case "codes":
      return codesIn(rest, text);
    default:
      return { is: "done" };
  }
}

/** With a count before them, as newer cars answer, or without. */
function codesIn(rest: readonly number[], text: string): PortAnswer {
  const [count = 0] = rest;
  const isCounted = rest.length % 2 === 1;
  const bytes = isCounted ? rest.slice(1) : rest;
  if (isCounted && bytes.length !== 2 * count)
    return garbage(`“${shown(text)}” tells ${count} codes and has room for ${bytes.length / 2}.`);
  if (bytes.length > 2 * MOST_CODES) return garbage(`“${shown(text)}” tells more codes than a car has.`);
  return { is: "codes", codes: troubleCodes(bytes) };
}
