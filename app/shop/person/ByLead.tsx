import { Form } from "react-router";
import { Button } from "../../ui/Button.tsx";
import { Choice, TextField } from "../../ui/Field.tsx";
import { Part } from "../Part.tsx";
import { SecretFields } from "./SecretFields.tsx";

interface Given {
  person: { name: string; role: string; isActive: boolean };
  isSelf: boolean;
  isBusy: boolean;
  fields: Record<string, string>;
}

/** What a lead changes of somebody: name, what they do, what they sign in by, and whether they work here. */
export function ByLead({ person, isSelf, isBusy, fields }: Given) {
  const first = person.name.split(" ")[0];
  return (
    <>
      <Part title="Name and work">
        <Form method="post" className="flex flex-wrap items-end gap-3">
          <input type="hidden" name="what" value="name" />
          <div className="min-w-56 flex-1">
            <TextField
              key={person.name}
              label="Name"
              name="name"
              required
              maxLength={80}
              defaultValue={person.name}
              error={fields.name}
            />
          </div>
          <Button type="submit" disabled={isBusy}>
            Rename
          </Button>
        </Form>
        <Form method="post" className="mt-4 flex flex-wrap items-end gap-3">
          <input type="hidden" name="what" value="role" />
          <div className="min-w-56 flex-1">
            <Choice key={person.role} label="Does" name="role" defaultValue={person.role} error={fields.role}>
              <option value="desk">Front desk</option>
              <option value="technician">Technician</option>
              <option value="lead">Lead</option>
            </Choice>
          </div>
          <Button type="submit" disabled={isBusy}>
            Does this from now on
          </Button>
        </Form>
      </Part>
      {!isSelf && person.isActive && (
        <Part title={`What ${first} signs in by`}>
          <Form method="post" className="flex flex-col gap-3">
            <input type="hidden" name="what" value="secrets" />
            <SecretFields fields={fields} />
            <p className="text-ink-2">Wherever {first} is signed in, that ends.</p>
            <Button type="submit" disabled={isBusy} className="self-end">
              Give these
            </Button>
          </Form>
          <Form method="post" className="mt-4 flex flex-wrap items-center justify-between gap-3">
            <input type="hidden" name="what" value="let-in" />
            <p className="flex-1">Mistyped the PIN too often?</p>
            <Button type="submit" disabled={isBusy}>
              Let {first} in again
            </Button>
          </Form>
        </Part>
      )}
      <Part title={person.isActive ? "No longer here" : "Back again"}>
        <Form method="post" className="flex flex-wrap items-center justify-between gap-3">
          <input type="hidden" name="what" value={person.isActive ? "leave" : "come-back"} />
          <p className="flex-1">
            {person.isActive
              ? `${first} signs in no more. All that ${first} wrote stays, under the name.`
              : `${first} signs in again, by the PIN and password of before or by new ones.`}
          </p>
          <Button type="submit" disabled={isBusy}>
            {person.isActive ? `${first} has left` : `${first} is back`}
          </Button>
        </Form>
      </Part>
    </>
  );
}
