import "reflect-metadata";
import { type Checked, checkPlain } from "../../core/kernel/plain/index.ts";

export type { Checked };
export type FormClass<Form extends object = object> = new () => Form;

const plain = (input: unknown) =>
  input instanceof FormData
    ? Object.fromEntries([...input].filter(([, value]) => typeof value === "string"))
    : input;

/**
 * Puts what was sent through its form class, on either side: unknown fields are refused, every field says what would be
 * right. Answers with the clean value or with a message a field.
 */
export const checkForm = <Form extends object>(form: FormClass<Form>, input: unknown): Checked<Form> =>
  checkPlain(form, plain(input));
