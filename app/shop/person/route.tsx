import { data, Link, useActionData, useLoaderData, useNavigation } from "react-router";
import { Refusal } from "../../../server/desk/refusal.ts";
import { ROLE_NAMES } from "../../../server/desk/roles.ts";
import {
  changeRole,
  giveSecret,
  letPersonIn,
  renamePerson,
  setActive,
} from "../../../server/subjects/people/change-person.ts";
import { changeOwnSecret, checkSecrets } from "../../../server/subjects/people/own-secret.ts";
import { readPerson } from "../../../server/subjects/people/read-person.ts";
import { hashSecret } from "../../../server/subjects/people/secrets.ts";
import { readCookie, sessionCookie } from "../../desk/cookies.server.ts";
import { database } from "../../desk/database.server.ts";
import { checkForm } from "../../desk/forms.ts";
import { guarded, type Refused, type Visit } from "../../desk/guard.server.ts";
import { useMember } from "../../desk/member.ts";
import { readForm } from "../../desk/read-body.server.ts";
import { keptPosting } from "../../kept/posting.ts";
import { keptReading } from "../../kept/reading.ts";
import { whenOf } from "../../ui/dates.ts";
import { Part } from "../Part.tsx";
import { ByLead } from "./ByLead.tsx";
import { OwnSecrets } from "./OwnSecrets.tsx";
import { NameForm, OwnSecretsForm, RoleForm, SecretsForm } from "./person.form.ts";

export const loader = guarded("desk", async ({ params, desk }) => {
  const person = await desk((given) => readPerson(given, params.personId ?? ""));
  return { ...person, does: ROLE_NAMES[person.role] };
});

export const meta = ({ data: person }: { data?: { name: string } }) => [
  { title: `${person?.name ?? "Shop"} · Warm Ledger` },
];

function clean<Value extends object>(form: new () => Value, input: FormData): Value {
  const checked = checkForm(form, input);
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  return checked.value;
}

const nothingGiven = () =>
  new Refusal({ message: "", fields: { pin: "Give a new PIN, a new password, or both." } });

async function giveSecrets({ desk, member }: Visit, id: string, input: FormData): Promise<void> {
  if (id === member.personId) throw new Refusal({ message: "Your own take your password of now." });
  const { pin, password } = clean(SecretsForm, input);
  if (pin === undefined && password === undefined) throw nothingGiven();
  const { name } = await desk((given) => readPerson(given, id));
  checkSecrets({ pin, password }, [name]);
  const pinHash = pin === undefined ? undefined : await hashSecret(pin);
  const passwordHash = password === undefined ? undefined : await hashSecret(password);
  await desk(async (given) => {
    if (pinHash) await giveSecret(given, id, { pinHash });
    if (passwordHash) await giveSecret(given, id, { passwordHash });
  });
}

const byLead: Record<string, (visit: Visit, id: string, input: FormData) => Promise<void>> = {
  name: ({ desk }, id, input) => {
    const { name } = clean(NameForm, input);
    return desk((given) => renamePerson(given, id, name.trim()));
  },
  role: ({ desk }, id, input) => {
    const { role } = clean(RoleForm, input);
    return desk((given) => changeRole(given, id, role));
  },
  secrets: giveSecrets,
  "let-in": ({ desk }, id) => desk((given) => letPersonIn(given, id)),
  leave: ({ desk }, id) => desk((given) => setActive(given, id, false)),
  "come-back": ({ desk }, id) => desk((given) => setActive(given, id, true)),
};

export const action = guarded("desk", async (visit) => {
  const { request, params, member } = visit;
  const { personId: id } = await visit.desk((given) =>
    readPerson(given, params.personId ?? "").then((person) => ({ personId: person.id })),
  );
  const input = await readForm(request);
  const what = String(input.get("what") ?? "");
  input.delete("what");
  if (what === "own" && id === member.personId) {
    const { now, pin, password } = clean(OwnSecretsForm, input);
    if (pin === undefined && password === undefined) throw nothingGiven();
    const session = await readCookie(sessionCookie, request);
    const { shopId, personId } = member;
    await changeOwnSecret(database(), { shopId, personId, session }, { now, pin, password });
    return data({ done: what });
  }
  const act = Object.hasOwn(byLead, what) ? byLead[what] : undefined;
  if (!act) throw new Refusal({ message: "That can't be done here." });
  if (member.role !== "lead") throw new Refusal({ status: 403, message: "This is for a lead." });
  await act(visit, id, input);
  return data({ done: what });
});

export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("shop/person/route");

export const clientAction = keptPosting();

const DONE: Record<string, string> = {
  own: "Changed. It counts from your next sign-in.",
  name: "Renamed.",
  role: "Taken over; they sign in again for it.",
  secrets: "Given. Tell them face to face.",
  "let-in": "They can try again at once.",
  leave: "They sign in no more.",
  "come-back": "They can sign in again.",
};

export default function Person() {
  const person = useLoaderData<typeof loader>();
  const { personId, role, timeZone } = useMember();
  const answer = useActionData() as (Partial<Refused> & { done?: string }) | undefined;
  const isBusy = useNavigation().state !== "idle";
  const fields = answer?.refused?.fields ?? {};
  const isSelf = person.id === personId;
  const said = answer?.refused?.message ?? (answer?.done && DONE[answer.done]);
  return (
    <main id="work" className="max-w-3xl p-5 lg:p-7">
      <p className="mb-2">
        <Link to="/shop" className="underline underline-offset-4">
          Shop
        </Link>
      </p>
      <h1 className="mb-1 text-3xl">{person.name}</h1>
      <p className="mb-6 text-ink-2">
        {person.does}
        {person.isActive ? "" : ", not here"}
      </p>
      {said && (
        <p role={answer?.done ? "status" : "alert"} className="mb-4 border-ink border-l-4 pl-3 font-bold">
          {said}
        </p>
      )}
      {/* Taken, the fields are empty again: what was typed in them is nobody's to read. */}
      <div
        key={answer?.done ? JSON.stringify([answer.done, person]) : "asked"}
        className="flex flex-col gap-6"
      >
        {isSelf && <OwnSecrets isBusy={isBusy} fields={fields} />}
        {role === "lead" && <ByLead person={person} isSelf={isSelf} isBusy={isBusy} fields={fields} />}
        {(isSelf || role === "lead") && (
          <Part title="Signed in on">
            {person.signedIn.length === 0 && <p className="text-ink-2">No browser.</p>}
            <ul>
              {person.signedIn.map(({ device, since, seenAt }) => (
                <li key={`${device} ${since}`} className="flex justify-between border-rule border-b py-2">
                  <span className="font-bold">{device ?? "A browser of their own"}</span>
                  <span className="text-ink-2">
                    since {whenOf(since, timeZone)}, used {whenOf(seenAt, timeZone)}
                  </span>
                </li>
              ))}
            </ul>
          </Part>
        )}
      </div>
    </main>
  );
}
