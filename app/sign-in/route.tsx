import { useEffect, useRef, useState } from "react";
import {
  type ClientLoaderFunctionArgs,
  data,
  Form,
  redirect,
  useActionData,
  useLoaderData,
  useNavigation,
  useRevalidator,
} from "react-router";
import { findShopBySlug } from "../../server/database/connection.ts";
import { Refusal } from "../../server/desk/refusal.ts";
import { ROLE_NAMES, type Role } from "../../server/desk/roles.ts";
import { findTiles } from "../../server/subjects/people/devices.ts";
import { findSession } from "../../server/subjects/people/find-session.ts";
import { shopOfToken } from "../../server/subjects/people/secrets.ts";
import { signIn } from "../../server/subjects/people/sign-in.ts";
import { deviceCookie, readCookie, sessionCookie } from "../desk/cookies.server.ts";
import { database } from "../desk/database.server.ts";
import { checkForm } from "../desk/forms.ts";
import { openToAll, type Refused } from "../desk/guard.server.ts";
import { watchHands } from "../desk/hands.ts";
import { readForm } from "../desk/read-body.server.ts";
import { keptPosting } from "../kept/posting.ts";
import { isOwnWord } from "../kept/reading.ts";
import { Button } from "../ui/Button.tsx";
import { TextField } from "../ui/Field.tsx";
import { PasswordForm, PinForm } from "./sign-in.form.ts";

/** Nobody's address: whatever leads away from it leads out. */
const HERE = "http://here.invalid";

/** Only a page of ours, never another site: read as a browser reads it, blanks, dots and backslashes included. */
const goalOf = (url: URL) => {
  const to = url.searchParams.get("to") ?? "/";
  if (!to.startsWith("/") || !URL.canParse(to, HERE)) return "/";
  const goal = new URL(to, HERE);
  return goal.origin === HERE ? `${goal.pathname.replace(/^\/+/, "/")}${goal.search}` : "/";
};

export const meta = () => [{ title: "Sign in · Warm Ledger" }];

export const loader = openToAll(async ({ request, url }) => {
  if (await findSession(database(), await readCookie(sessionCookie, request), new Date()))
    throw redirect(goalOf(url));
  const tiles = await findTiles(database(), await readCookie(deviceCookie, request));
  return {
    shopName: tiles?.shopName,
    people: tiles?.people.map(({ id, name, role }) => ({ id, name, role: ROLE_NAMES[role as Role] })),
  };
});

type Read = { shopName?: string; people?: { id: string; name: string; role: string }[]; isCutOff?: boolean };

/** Nobody signs in without a server; the page says so instead of breaking. */
export async function clientLoader({ serverLoader }: ClientLoaderFunctionArgs): Promise<Read> {
  try {
    return await serverLoader<typeof loader>();
  } catch (error) {
    if (isOwnWord(error)) throw error;
    return { isCutOff: true };
  }
}

export const clientAction = keptPosting();

const NOBODY = "00000000-0000-4000-8000-000000000000";

async function credentialsOf(request: Request, device: string | undefined) {
  const form = await readForm(request);
  if (form.has("pin")) {
    const tiles = await findTiles(database(), device);
    if (!tiles)
      throw new Refusal({
        message: "This browser is not one of the shop's own. Sign in by name and password.",
      });
    const checked = checkForm(PinForm, form);
    if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
    return { shopId: tiles.shopId, credentials: checked.value };
  }
  const checked = checkForm(PasswordForm, form);
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const { shop, name, password } = checked.value;
  return {
    shopId: (await findShopBySlug(database(), shop))?.id ?? NOBODY,
    credentials: { name: name.trim(), password },
  };
}

export const action = openToAll(async ({ request, url, source }) => {
  const device = await readCookie(deviceCookie, request);
  const { shopId, credentials } = await credentialsOf(request, device);
  const old = await readCookie(sessionCookie, request);
  const oldToken = shopOfToken(old) === shopId ? old : undefined;
  const answer = await signIn(database(), credentials, { shopId, device, source, oldToken });
  if ("refused" in answer)
    return data<Refused>(
      { refused: { message: "", fields: { [answer.field]: answer.refused } } },
      { status: 422 },
    );
  return redirect(goalOf(url), { headers: { "Set-Cookie": await sessionCookie.serialize(answer.token) } });
});

export default function SignIn() {
  const { shopName, people, isCutOff } = useLoaderData<Read>();
  const { revalidate, state } = useRevalidator();
  const answer = useActionData() as Refused | undefined;
  const isBusy = useNavigation().state !== "idle";
  const fields = answer?.refused.fields ?? {};
  useEffect(() => watchHands(), []);
  return (
    <main className="mx-auto flex min-h-dvh max-w-3xl flex-col justify-center gap-8 p-6">
      <header>
        <h1 className="text-4xl">Warm Ledger</h1>
        <p className="mt-1 text-ink-2 text-xl">{shopName ?? "The book of a cooling-system shop"}</p>
      </header>
      {answer?.refused.message && (
        <p role="alert" className="border-ink border-l-4 pl-3 font-bold">
          {answer.refused.message}
        </p>
      )}
      {isCutOff ? (
        <p className="flex flex-wrap items-center gap-4">
          <span className="flex-1 font-bold">
            No server to be had, so nobody can sign in. What was typed in this browser is kept.
          </span>
          <Button disabled={state !== "idle"} onClick={() => void revalidate()}>
            Try again
          </Button>
        </p>
      ) : people ? (
        <ByTile people={people} error={fields.pin ?? fields.personId} isBusy={isBusy} />
      ) : (
        <ByPassword fields={fields} isBusy={isBusy} />
      )}
    </main>
  );
}

function ByTile({
  people,
  error,
  isBusy,
}: {
  people: { id: string; name: string; role: string }[];
  error?: string;
  isBusy: boolean;
}) {
  const [chosen, setChosen] = useState<string>();
  const person = people.find((each) => each.id === chosen);
  const pin = useRef<HTMLInputElement>(null);
  // What was wrong is gone, and the next try starts where it is typed.
  useEffect(() => {
    if (!error || isBusy || !pin.current) return;
    pin.current.value = "";
    pin.current.focus();
  }, [error, isBusy]);
  const toPin = () => pin.current?.focus();
  return (
    <Form method="post" className="flex flex-col gap-6">
      <fieldset>
        <legend className="mb-3 font-bold">Who is it?</legend>
        <div className="grid gap-3 sm:grid-cols-2">
          {people.map(({ id, name, role }) => (
            <label
              key={id}
              className="flex min-h-20 cursor-pointer items-center gap-4 rounded-md border-2 border-edge bg-sheet px-5 has-checked:border-ink has-checked:bg-ink has-checked:text-paper has-focus-visible:outline-3 has-focus-visible:outline-ink has-focus-visible:outline-offset-2"
            >
              <input
                type="radio"
                name="personId"
                value={id}
                required
                className="size-5"
                checked={chosen === id}
                onChange={() => setChosen(id)}
                // Arrows choose and stay in the list; Enter and a tap go on to the PIN.
                onKeyDown={(event) => {
                  if (event.key !== "Enter") return;
                  event.preventDefault();
                  setChosen(id);
                  toPin();
                }}
                onClick={(event) => event.detail > 0 && toPin()}
              />
              <span>
                <span className="block font-bold text-xl">{name}</span>
                <span className="block">{role}</span>
              </span>
            </label>
          ))}
        </div>
      </fieldset>
      <div className="flex flex-wrap items-end gap-4">
        <div className="w-56">
          <TextField
            ref={pin}
            label={person ? `PIN of ${person.name.split(" ")[0]}` : "PIN"}
            name="pin"
            type="password"
            inputMode="numeric"
            maxLength={8}
            required
            className="figure text-2xl tracking-[0.3em]"
            autoComplete="off"
            enterKeyHint="go"
            error={error}
          />
        </div>
        <Button type="submit" weight="main" disabled={isBusy}>
          Sign in
        </Button>
      </div>
    </Form>
  );
}

function ByPassword({ fields, isBusy }: { fields: Record<string, string>; isBusy: boolean }) {
  return (
    <Form method="post" className="flex max-w-md flex-col gap-4">
      <p>
        This browser is not one of a shop's own, so sign in with your name and password. A lead can enrol it
        on the Shop page.
      </p>
      <TextField
        label="Shop"
        name="shop"
        required
        maxLength={40}
        autoCapitalize="none"
        placeholder="lantern-hill"
        error={fields.shop}
      />
      <TextField
        label="Name"
        name="name"
        required
        maxLength={80}
        autoComplete="username"
        error={fields.name}
      />
      <TextField
        label="Password"
        name="password"
        type="password"
        required
        maxLength={200}
        autoComplete="current-password"
        error={fields.password}
      />
      <Button type="submit" weight="main" disabled={isBusy}>
        Sign in
      </Button>
    </Form>
  );
}
