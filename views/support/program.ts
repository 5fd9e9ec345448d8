/** The program as it runs in one process: its routes with what draws them, in one build for all workers. */
export { createElement } from "react";
export { createRoot } from "react-dom/client";
export { createRoutesStub, matchRoutes, UNSAFE_ErrorResponseImpl as SaidNo } from "react-router";
export { database } from "../../app/desk/database.server.ts";
export { default as routes } from "../../app/routes.ts";
export { Here } from "./Here.tsx";

export const files = import.meta.glob("../../app/**/*route.{ts,tsx}", { eager: true });

/** What a test says of the made-up shop and asks of its database: in the same build, so that no worker reads it file by file. */
export { jobId, SHOP_ID } from "../../demo/seed.ts";
export { PEOPLE, VEHICLES } from "../../demo/shop.ts";
export { demoId } from "../../demo/story.ts";
export { openJob } from "../../server/books/jobs/open-job.ts";
export { atDesk } from "../../server/database/connection.ts";
export { recordEntries } from "../../server/entries/record-entries.ts";
export { enrolDevice } from "../../server/subjects/people/devices.ts";
export { addVehicle } from "../../server/subjects/vehicles/add-vehicle.ts";
export { scratchDatabase } from "../../server/testing/scratch-database.ts";
export { newEntry } from "../../server/testing/small-shop.ts";
