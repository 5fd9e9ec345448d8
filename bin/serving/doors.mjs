import pLimit from "p-limit";

/** Nothing that a person types is larger; logs and whole jobs are files. */
const MOST_BODY_BYTES = 64_000;
const MOST_FILE_BYTES = 52_000_000;
const TAKES_FILES =
  /^\/(?:jobs\/(?:[^/]+\/(?:logs|pictures)|read-in)|vehicles\/[^/]+\/levels\.csv|shelf\/list\.csv)(?:\.data)?$/;
const METHODS = ["GET", "HEAD", "POST", "OPTIONS"];
const HOST_NAME =
  /^(?:[a-z0-9_](?:[a-z0-9_-]*[a-z0-9_])?(?:\.[a-z0-9_](?:[a-z0-9_-]*[a-z0-9_])?)*\.?|\[[0-9a-f:.]+\])(?::\d{1,5})?$/i;

/** What no page of ours is ever asked for: other methods, hosts that are no names, addresses that can't be decoded. */
export function refuseStrange(request, response, next) {
  const refuse = (status, message) => response.status(status).type("text").send(message);
  if (!METHODS.includes(request.method)) {
    response.setHeader("Allow", METHODS.join(", "));
    return refuse(405, "That can't be done here.");
  }
  if (!HOST_NAME.test(request.get("host") ?? "")) return refuse(400, "That is no name of a host.");
  try {
    const path = decodeURIComponent(request.path);
    if (path.includes("\u0000")) return refuse(400, "There is no such address.");
  } catch {
    return refuse(400, "There is no such address.");
  }
  if (request.method === "OPTIONS") {
    response.setHeader("Allow", METHODS.join(", "));
    return response.status(204).end();
  }
  next();
}

/** A form on another site can't post here: the browser says where a post comes from, and it must be from us. Nor is one too large. */
export const refusePosts = (publicUrl) => (request, response, next) => {
  if (["GET", "HEAD", "OPTIONS"].includes(request.method)) return next();
  const origin = request.get("origin");
  if (origin !== (publicUrl?.origin ?? `${request.protocol}://${request.get("host")}`)) {
    return response.status(403).type("text").send("This was sent from another site and is refused.");
  }
  const length = request.get("content-length");
  if (length === undefined && request.get("transfer-encoding")) {
    return response.status(411).json({ refused: { message: "Say how long it is.", fields: {} } });
  }
  const isFile = TAKES_FILES.test(request.path);
  if (Number(length ?? 0) > (isFile ? MOST_FILE_BYTES : MOST_BODY_BYTES)) {
    const message = isFile
      ? `That is ${Math.round(Number(length) / 1e6)} MB; at most 48 MB can be read. Of a log export one warm-up, or fewer columns; of a picture send a smaller one.`
      : `That is ${Math.round(Number(length) / 1000)} kB; at most ${MOST_BODY_BYTES / 1000} kB can be read at once.`;
    return response.status(413).json({ refused: { message, fields: isFile ? { log: message } : {} } });
  }
  next();
};

const AGAIN_S = 5;

/** So many of a kind at once, so many behind them, and whoever comes after those is told to come again. */
function inTurn({ atOnce, mostWaiting, isMeant, words }) {
  const turns = pLimit(atOnce);
  return (request, response, next) => {
    if (request.method !== "POST" || !isMeant(request)) return next();
    if (turns.pendingCount >= mostWaiting) {
      const message = `${words} Try again in ${AGAIN_S} seconds.`;
      response.setHeader("Retry-After", String(AGAIN_S));
      return response.status(503).json({ refused: { message, fields: {} } });
    }
    void turns(
      () =>
        new Promise((done) => {
          response.on("close", done);
          if (response.destroyed) done();
          else next();
        }),
    );
  };
}

/** However many knock at once, two are let through at a time: the shop's own bookings go on between them. */
export const oneByOne = () =>
  inTurn({
    ...{ atOnce: 2, mostWaiting: 500, words: "Too many are at the door just now." },
    isMeant: ({ path }) => /^\/sign-in(?:\.data)?$/.test(path),
  });

/** What is larger is a log or a picture as a camera takes it. */
const LARGE_BYTES = 1_000_000;

/** Large files are read two at a time: the rest stay where they are, and not in memory, until it is their turn. */
export const filesInTurn = () =>
  inTurn({
    ...{ atOnce: 2, mostWaiting: 60, words: "Too many files are on their way just now." },
    isMeant: (request) =>
      TAKES_FILES.test(request.path) && Number(request.get("content-length") ?? 0) > LARGE_BYTES,
  });
