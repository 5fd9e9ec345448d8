export { type PartState, partsState, wantedParts } from "./parts.ts";
export { partKind, plainPart } from "./plain-part.ts";
