import type { ReactNode } from "react";
import { Form } from "react-router";
import type { FormClass } from "../desk/forms.ts";
import { ErrorSummary } from "../ui/ErrorSummary.tsx";
import { SummedUp } from "../ui/Field.tsx";
import type { CardForm } from "./card.form.ts";
import { useCardCheck } from "./useCardCheck.ts";
import { useFormDraft } from "./useFormDraft.ts";

/** A form with a card in it: kept half filled in, checked before it is sent, what is wrong summed up at its top. */
export function KeptForm({
  form: kind,
  draftKey,
  children,
}: {
  form: FormClass<CardForm>;
  draftKey: string;
  /** The fields, given what is wrong with each. */
  children: (fields: Record<string, string>) => ReactNode;
}) {
  const { fields, message, check } = useCardCheck(kind);
  const isRefused = Object.keys(fields).length > 0 || message !== undefined;
  const { form, keep, sent } = useFormDraft(draftKey, isRefused);
  return (
    <Form
      ref={form}
      method="post"
      noValidate
      onInput={keep}
      onSubmit={(event) => {
        check(event);
        if (!event.defaultPrevented) sent();
      }}
      className="flex flex-col gap-8"
    >
      <SummedUp value>
        <ErrorSummary fields={fields} message={message} />
        {children(fields)}
      </SummedUp>
    </Form>
  );
}
