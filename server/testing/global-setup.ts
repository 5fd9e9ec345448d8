import { makeTemplate } from "./scratch-database.ts";

export default makeTemplate;
