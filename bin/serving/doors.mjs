import pLimit from "p-limit";

/** Nothing that a person types is larger; logs and whole jobs are files. */
const MOST_BODY_BYTES = 64_000;
const MOST_FILE_BYTES = 52_000_000;
/** A job's archive goes to disk as it comes. */
const MOST_ARCHIVE_BYTES = 2_000_000_000;
const TAKES_ARCHIVES = /^\/jobs\/read-in\.zip$/;
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
  if (TAKES_ARCHIVES.test(request.path)) {
    if (Number(length ?? 0) <= MOST_ARCHIVE_BYTES) return next();
    const message = `That is ${(Number(length) / 1e9).toFixed(1)} GB; at most ${MOST_ARCHIVE_BYTES / 1e9} GB can be read.`;
    return response.status(413).json({ refused: { message, fields: {} } });
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

const MOST_WAITING = 500;
const AGAIN_S = 5;
/** A name and a password: nothing that comes in here is larger, and all of it fits where it waits to be read. */
const MOST_SIGN_IN_BYTES = 8000;
const ARRIVES_IN_MS = 5000;
/** No sign-in takes so long: a turn that isn't given back is taken back. */
const TURN_MS = 10_000;

/** Whether all that a request says has come, in time: nobody takes a turn with words that they keep back. */
function hasArrived(request) {
  const length = Number(request.get("content-length") ?? 0);
  // To listen for the beginning of nothing uses up its end.
  if (length === 0) return true;
  return new Promise((resolve) => {
    const tell = (is) => {
      clearTimeout(timer);
      request.off("readable", look);
      request.off("close", gone);
      resolve(is);
    };
    const look = () => request.readableLength >= length && tell(true);
    const gone = () => tell(false);
    const timer = setTimeout(gone, ARRIVES_IN_MS);
    request.on("readable", look);
    request.on("close", gone);
    look();
  });
}

/** However many knock at once, two are let through at a time: the shop's own bookings go on between them. */
export function oneByOne() {
  const entering = pLimit(2);
  return async (request, response, next) => {
    if (request.method !== "POST" || !/^\/sign-in(?:\.data)?$/.test(request.path)) return next();
    const refuse = (status, message) => response.status(status).json({ refused: { message, fields: {} } });
    if (Number(request.get("content-length") ?? 0) > MOST_SIGN_IN_BYTES)
      return refuse(413, "That is no name and no password.");
    if (!(await hasArrived(request))) {
      response.setHeader("Connection", "close");
      return refuse(408, "That didn't come in time. Send it again.");
    }
    if (entering.pendingCount >= MOST_WAITING) {
      response.setHeader("Retry-After", String(AGAIN_S));
      return refuse(503, `Too many are at the door just now. Try again in ${AGAIN_S} seconds.`);
    }
    void entering(
      () =>
        new Promise((done) => {
          const timer = setTimeout(done, TURN_MS);
          response.on("close", () => {
            clearTimeout(timer);
            done();
          });
          if (response.destroyed) done();
          else next();
        }),
    );
  };
}
