export {
  type BleedProgress,
  bleedProgress,
  type Cycle,
  SIGN_WORDS,
  SIGNS,
  type Sign,
} from "./bleed-progress.ts";
export { type CoolDown, type CoolReading, coolDown } from "./cool-down.ts";
