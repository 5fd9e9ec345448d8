import { type FormEvent, useState } from "react";
import { useActionData } from "react-router";
import type { FormClass } from "../desk/forms.ts";
import { checkForm } from "../desk/forms.ts";
import type { Refused } from "../desk/guard.server.ts";
import { type CardForm, cardTrouble } from "./card.form.ts";

/** What is wrong with a form that holds a card: told here before it is sent, and by the server after. */
export function useCardCheck<Form extends CardForm>(form: FormClass<Form>) {
  const answer = useActionData() as Refused | undefined;
  const [own, setOwn] = useState<Record<string, string>>();
  const check = (event: FormEvent<HTMLFormElement>) => {
    const checked = checkForm(form, new FormData(event.currentTarget));
    const found = checked.fields ?? cardTrouble(checked.value);
    const isWrong = Object.keys(found).length > 0;
    setOwn(isWrong ? found : undefined);
    if (isWrong) event.preventDefault();
  };
  const fields = own ?? answer?.refused.fields ?? {};
  return { fields, message: fields.form ?? answer?.refused.message, check };
}
