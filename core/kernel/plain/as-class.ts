export type Plain = Readonly<Record<string, unknown>>;
type Reader = (value: unknown, all: Plain) => unknown;
type Class<Form extends object = object> = new () => Form;

/** How fields are read before they are checked, by the class that says so. */
const readers = new WeakMap<object, Map<string, Reader[]>>();

/** How a field is read from what was sent, which may be anything; `undefined` is nothing sent. Several go one after the other. */
export const Reads =
  (read: Reader): PropertyDecorator =>
  (target, property) => {
    const own = readers.get(target) ?? new Map<string, Reader[]>();
    readers.set(target, own);
    // The one nearest to the field is the first to be called, as decorators are.
    own.set(String(property), [...(own.get(String(property)) ?? []), read]);
  };

/** The field is an object of another class. */
export const Holds = (kind: () => Class): PropertyDecorator =>
  Reads((value) => (isPlain(value) ? asClass(kind(), value) : value));

export const isPlain = (value: unknown): value is Plain =>
  Boolean(value) && typeof value === "object" && !Array.isArray(value);

function readersOf(target: object, name: string): Reader[] {
  const above = Object.getPrototypeOf(target) as object | null;
  return [...(above ? readersOf(above, name) : []), ...(readers.get(target)?.get(name) ?? [])];
}

/**
 * An instance of a class with the fields of plain data, each as the class reads it; nothing is checked. Names that every object has
 * by nature are nobody's field.
 */
export function asClass<Form extends object>(form: Class<Form>, given: Plain): Form {
  const value = new form();
  for (const [name, sent] of Object.entries(given)) {
    if (name in Object.prototype) continue;
    const read = readersOf(form.prototype as object, name).reduce<unknown>(
      (so, reader) => reader(so, given),
      sent,
    );
    if (read !== undefined)
      Object.defineProperty(value, name, {
        value: read,
        enumerable: true,
        writable: true,
        configurable: true,
      });
  }
  return value;
}
