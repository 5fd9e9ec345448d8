import { Form, Link } from "react-router";
import { Button } from "../ui/Button.tsx";
import { Choice, TextField } from "../ui/Field.tsx";
import { Part } from "./Part.tsx";

/** Who works here and what they do, and who once did; a lead adds them. Each name leads to what can be changed of them. */
export function People({
  people,
  isLead,
  isBusy,
  fields,
  newPersonId,
}: {
  people: readonly { id: string; name: string; does: string; isActive: boolean }[];
  isLead: boolean;
  isBusy: boolean;
  fields: Record<string, string>;
  newPersonId: string;
}) {
  return (
    <Part title="People">
      <ul className="mb-4">
        {people.map((person) => (
          <li key={person.id} className="flex items-center justify-between border-rule border-b">
            <Link
              to={`/shop/people/${person.id}`}
              className="flex min-h-11 items-center font-bold underline underline-offset-4"
            >
              {person.name}
            </Link>
            <span className="text-ink-2">{person.isActive ? person.does : "not here"}</span>
          </li>
        ))}
      </ul>
      {isLead && (
        <Form method="post" key={newPersonId} className="grid gap-3 sm:grid-cols-2">
          <input type="hidden" name="what" value="person" />
          <input type="hidden" name="id" value={newPersonId} />
          <TextField label="Name" name="name" required maxLength={80} error={fields.name} />
          <Choice label="Does" name="role" defaultValue="technician" error={fields.role}>
            <option value="desk">Front desk</option>
            <option value="technician">Technician</option>
            <option value="lead">Lead</option>
          </Choice>
          <TextField
            label="PIN"
            name="pin"
            type="password"
            inputMode="numeric"
            required
            maxLength={8}
            error={fields.pin}
            autoComplete="new-password"
          />
          <TextField
            label="Password"
            name="password"
            type="password"
            required
            maxLength={200}
            error={fields.password}
            autoComplete="new-password"
          />
          <Button type="submit" disabled={isBusy} className="sm:col-span-2 sm:justify-self-end">
            Add this person
          </Button>
        </Form>
      )}
    </Part>
  );
}
