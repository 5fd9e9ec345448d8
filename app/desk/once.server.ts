const known = new WeakMap<object, Map<string, unknown>>();

/**
 * Does work once a request, however many of its loaders want it: the request is known by the context that the server gives to
 * all of them. Without one, each does its own.
 */
export function oncePerRequest<Result>(context: unknown, key: string, work: () => Result): Result {
  if (!context || typeof context !== "object") return work();
  const results = known.get(context) ?? new Map<string, unknown>();
  known.set(context, results);
  if (!results.has(key)) results.set(key, work());
  return results.get(key) as Result;
}
