export { type PictureLine, picturesOf } from "./pictures.ts";
