import { builtinEnvironments, type Environment } from "vitest/runtime";

/** What the server in this process asks and answers with is Node's own: a document's would keep cookies and bodies to itself. */
const NODES = [
  "fetch",
  "Request",
  "Response",
  "Headers",
  "AbortController",
  "AbortSignal",
  "Blob",
  "File",
  "URL",
  "URLSearchParams",
  "ReadableStream",
  "WritableStream",
  "TransformStream",
  "TextEncoder",
  "TextDecoder",
  "structuredClone",
  "crypto",
  "performance",
] as const;

/** A form as Node has it, that a document's form element can be read into as well. */
function formsOf(nodes: typeof FormData, documents: typeof FormData): typeof FormData {
  return class extends nodes {
    constructor(...given: ConstructorParameters<typeof FormData>) {
      super();
      if (given[0]) for (const [name, value] of new documents(...given)) this.append(name, value);
    }
    static override [Symbol.hasInstance](value: unknown): boolean {
      return Function.prototype[Symbol.hasInstance].call(nodes, value);
    }
  };
}

/** A light document beside the server's own tools. */
export default {
  ...builtinEnvironments["happy-dom"],
  name: "a document and its server",
  async setup(global, options) {
    // React's own checks cost more than all that is tried here.
    process.env.NODE_ENV = "production";
    const own = NODES.map((name) => [name, Object.getOwnPropertyDescriptor(global, name)] as const);
    const forms = global.FormData;
    const environment = await builtinEnvironments["happy-dom"].setup(global, options);
    for (const [name, is] of own) if (is) Object.defineProperty(global, name, { ...is, configurable: true });
    global.FormData = formsOf(forms, global.FormData);
    return environment;
  },
} satisfies Environment;
