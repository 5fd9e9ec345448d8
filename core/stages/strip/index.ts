export { type CameOff, type ComesOff, comesOffWith, stepOf } from "./comes-off-with.ts";
export { type PictureLine, picturesOf } from "./pictures.ts";
