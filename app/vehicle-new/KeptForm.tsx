import { type ReactNode, useEffect, useRef } from "react";
import { Form, useActionData } from "react-router";
import type { FormClass } from "../desk/forms.ts";
import type { CutOff } from "../kept/posting.ts";
import { ErrorSummary } from "../ui/ErrorSummary.tsx";
import { SummedUp } from "../ui/Field.tsx";
import { typedIn } from "../ui/typed-in.ts";
import type { CardForm } from "./card.form.ts";
import { useCardCheck } from "./useCardCheck.ts";
import { useFormDraft } from "./useFormDraft.ts";

/** A form with a card in it: kept half filled in, checked before it is sent, what is wrong summed up at its top. */
export function KeptForm({
  form: kind,
  draftKey,
  onCutOff,
  children,
}: {
  form: FormClass<CardForm>;
  draftKey: string;
  /** Given what was filled in where no server answered: it is kept elsewhere, and the form is done with. */
  onCutOff?: (fields: Record<string, string>) => void;
  /** The fields, given what is wrong with each. */
  children: (fields: Record<string, string>) => ReactNode;
}) {
  const { fields, message, check } = useCardCheck(kind);
  const isRefused = Object.keys(fields).length > 0 || message !== undefined;
  const answer = useActionData() as Partial<CutOff> | undefined;
  const isKept = onCutOff !== undefined && answer?.isCutOff === true;
  const { form, keep, sent } = useFormDraft(draftKey, isRefused && !isKept);
  const posted = useRef<Record<string, string>>({});
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each post that nobody answered
  useEffect(() => {
    if (!isKept) return;
    sent();
    onCutOff(posted.current);
  }, [answer]);
  return (
    <Form
      ref={form}
      method="post"
      noValidate
      onInput={keep}
      onSubmit={(event) => {
        check(event);
        if (event.defaultPrevented) return;
        posted.current = typedIn(event.currentTarget);
        sent();
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
