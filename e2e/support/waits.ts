/** Some walks share two cores with their servers and browsers: what takes a second alone may take many. */
export const LONGEST_WAIT_MS = Number(process.env.LONGEST_WAIT_MS ?? 90_000);

/** A person looks again about so often. */
export const LOOK_MS = 80;
