import type { ComponentType } from "react";
import type { DataRouteMatch, RouteObject } from "react-router";
import { PROGRAM } from "./build.ts";
import { counted } from "./clock.ts";

/** Taken as it was built, by every file of a worker once. */
const { createRoutesStub, matchRoutes, SaidNo, routes, files, Here } = (await import(
  /* @vite-ignore */ PROGRAM
)) as typeof import("./program.ts");

/** A route as a file of the program has it. */
interface RouteModule {
  default?: ComponentType;
  ErrorBoundary?: ComponentType;
  loader?: (given: Asked) => unknown;
  action?: (given: Asked) => unknown;
  clientLoader?: (given: Asked & { serverLoader: () => Promise<unknown> }) => unknown;
  clientAction?: (given: Asked & { serverAction: () => Promise<unknown> }) => unknown;
  shouldRevalidate?: () => boolean;
  meta?: (given: object) => { title?: string }[];
}

interface Asked {
  request: Request;
  params: Record<string, string | undefined>;
  context: object;
}

interface Route {
  id: string;
  module: RouteModule;
}

const idOf = (file: string) => file.replace(/\.tsx?$/, "");
const MODULES = new Map(
  Object.entries(files).map(([path, module]) => [
    idOf(path.replace("../../app/", "")),
    module as RouteModule,
  ]),
);

/** What a browser keeps for a day without a network lays the whole day in a process of its own: that is for a browser to walk. */
const AT_HAND = "/at-hand";
const ORIGIN = "http://127.0.0.1";

/** A loader's or action's result that carries a status and headers beside its data. */
interface WithInit {
  data: unknown;
  init: { status?: number; headers?: HeadersInit } | null;
}
const hasInit = (value: unknown): value is WithInit =>
  typeof value === "object" && value !== null && "init" in value && "data" in value;

/**
 * The shop's server in this process: the program's own loaders and actions on a database of its own, asked as its pages
 * ask them, without a network between. One browser stands before it, with its cookies.
 */
export class ShopHere {
  readonly cookies = new Map<string, string>();
  /** False as where the server or the network is gone. */
  isThere = true;
  /** Answers in the shop's stead, for a test of what else stands between: nothing where the shop answers itself. */
  between: ((request: Request) => Promise<Response | undefined>) | undefined;

  private readonly known: RouteObject[];
  /** What each route has read last, by which its page is titled. */
  private readonly read: Record<string, unknown> = {};

  constructor() {
    this.known = [
      { id: "root", path: "/", Component: Here, children: (routes as Parts).map((part) => this.route(part)) },
    ];
  }

  /** A stub of the whole program, as React Router's own tool for tests has it. */
  get program() {
    return createRoutesStub(this.known as Parameters<typeof createRoutesStub>[0]);
  }

  private route({ file, children, ...part }: Part): RouteObject {
    const id = idOf(file);
    const module = MODULES.get(id);
    if (!module) throw new Error(`no route is at ${file}`);
    const { default: Component, ErrorBoundary, shouldRevalidate } = module;
    return {
      ...part,
      id,
      ...(Component && { Component }),
      ...(ErrorBoundary && { ErrorBoundary }),
      ...(shouldRevalidate && { shouldRevalidate }),
      ...(module.loader && { loader: (given) => this.load({ id, module }, given as never) }),
      ...(module.action && { action: (given) => this.act({ id, module }, given as never) }),
      ...(children && { children: children.map((child) => this.route(child)) }),
    } as RouteObject;
  }

  private async load({ id, module }: Route, given: Asked): Promise<unknown> {
    const serverLoader = () => this.ask(module.loader, given);
    const read = await (module.clientLoader
      ? module.clientLoader({ ...given, serverLoader })
      : serverLoader());
    this.read[id] = read;
    return read;
  }

  private act({ module }: Route, given: Asked): unknown {
    const serverAction = () => this.ask(module.action, given);
    return module.clientAction ? module.clientAction({ ...given, serverAction }) : serverAction();
  }

  /** What the server answers to a page of this browser; a no is thrown as the router throws it. */
  private async ask(work: RouteModule["loader"], given: Asked): Promise<unknown> {
    if (!this.isThere) throw new TypeError("Failed to fetch");
    return counted(new URL(given.request.url).pathname, async () => {
      try {
        const answer = await work?.({ ...given, ...this.asked(given.request) });
        if (answer instanceof Response) throw answer;
        if (!hasInit(answer)) return structuredClone(answer);
        this.keep(new Headers(answer.init?.headers));
        return structuredClone(answer.data);
      } catch (thrown) {
        if (thrown instanceof Response) this.keep(thrown.headers);
        if (!hasInit(thrown)) throw thrown;
        this.keep(new Headers(thrown.init?.headers));
        throw new SaidNo(thrown.init?.status ?? 500, "", thrown.data);
      }
    });
  }

  /** The request with this browser's cookies, and what several loaders of one page share. */
  private asked(request: Request) {
    const headers = new Headers(request.headers);
    headers.set("Cookie", [...this.cookies].map(([name, value]) => `${name}=${value}`).join("; "));
    const { method, signal } = request;
    const body = method === "GET" || method === "HEAD" ? undefined : request.body;
    const own = new Request(request.url, {
      method,
      headers,
      signal,
      ...(body && { body, duplex: "half" }),
    } as RequestInit);
    return { request: own, context: { origin: ORIGIN, source: "127.0.0.1" } };
  }

  private keep(headers: Headers): void {
    for (const line of headers.getSetCookie()) this.take(line);
  }

  /** A cookie as a header sets it. */
  take(line: string): void {
    const [pair = ""] = line.split(";");
    const at = pair.indexOf("=");
    if (/max-age=0|expires=thu, 01 jan 1970/i.test(line)) this.cookies.delete(pair.slice(0, at));
    else this.cookies.set(pair.slice(0, at), pair.slice(at + 1));
  }

  /** What a page fetches by itself: the leaf that its address names, as an answer over the network. */
  readonly fetch = async (to: RequestInfo | URL, init?: RequestInit): Promise<Response> => {
    const request =
      to instanceof Request ? to : new Request(new URL(String(to), ORIGIN), init as RequestInit);
    const instead = await this.between?.(request);
    if (instead) return instead;
    if (!this.isThere) throw new TypeError("Failed to fetch");
    const url = new URL(request.url);
    if (url.pathname === AT_HAND) return new Response("later", { status: 503 });
    const matches = matchRoutes(this.known, url.pathname) as DataRouteMatch[] | null;
    const leaf = matches?.at(-1);
    const module = leaf && MODULES.get(leaf.route.id);
    const work = request.method === "GET" || request.method === "HEAD" ? module?.loader : module?.action;
    if (!leaf || !work) return new Response("not here", { status: 404 });
    return counted(url.pathname, async () => {
      const answer = await Promise.resolve(work({ ...this.asked(request), params: leaf.params })).catch(
        (thrown: unknown) => {
          if (thrown instanceof Response || hasInit(thrown)) return thrown;
          throw thrown;
        },
      );
      const response =
        answer instanceof Response
          ? answer
          : hasInit(answer)
            ? Response.json(answer.data, answer.init ?? {})
            : Response.json(answer);
      this.keep(response.headers);
      return response;
    });
  };

  /** What a tab is called that shows this address: by the deepest route that has a title. */
  titleOf(pathname: string): string {
    const matches = (matchRoutes(this.known, pathname) ?? []) as DataRouteMatch[];
    const titles = matches.flatMap(({ route, params }) => {
      const meta = MODULES.get(route.id)?.meta;
      const loaderData = this.read[route.id];
      return meta
        ? [meta({ loaderData, data: loaderData, params, location: { pathname }, matches: [] })]
        : [];
    });
    return titles.at(-1)?.find(({ title }) => title)?.title ?? "";
  }
}

interface Part {
  file: string;
  path?: string;
  index?: boolean;
  children?: Part[];
}
type Parts = Part[];
