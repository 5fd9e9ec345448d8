/** What stands in a form's fields, files left out. */
export const typedIn = (form: HTMLFormElement): Record<string, string> =>
  Object.fromEntries(
    [...new FormData(form)].flatMap(([name, value]) => (typeof value === "string" ? [[name, value]] : [])),
  );
