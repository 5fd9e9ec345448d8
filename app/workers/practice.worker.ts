import { expose } from "comlink";
import { tellPlannersWay } from "../../core/trade/practice/index.ts";
import { isHere } from "./thread.ts";

const worker = { tellPlannersWay, isHere };
export type PracticeWorker = typeof worker;

expose(worker);
