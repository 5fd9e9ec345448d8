import { useRef } from "react";
import { useFetcher } from "react-router";
import type { Refused } from "../shell/guard.server.ts";
import { Button } from "../ui/Button.tsx";

/** A job file becomes a job of this shop; the same file twice is one job. */
export function ReadIn() {
  const reading = useFetcher<Refused>();
  const input = useRef<HTMLInputElement>(null);
  const isBusy = reading.state !== "idle";
  const { message, fields } = reading.data?.refused ?? { message: "", fields: {} as Record<string, string> };
  const said = message || Object.values(fields).join(" ");
  const send = (file: File | undefined) => {
    if (!file) return;
    const form = new FormData();
    form.set("job", file);
    void reading.submit(form, { method: "post", action: "/jobs/read-in", encType: "multipart/form-data" });
  };
  return (
    <>
      <p className="mb-3 text-ink-2">
        A job written by “The whole job as JSON” here or in another shop gets this shop's next number and says
        where it came from. Reading the same one again changes nothing.
      </p>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        tabIndex={-1}
        aria-label="Job file"
        onChange={(event) => {
          send(event.target.files?.[0]);
          event.target.value = "";
        }}
      />
      <Button disabled={isBusy} onClick={() => input.current?.click()}>
        {isBusy ? "Reading it in" : "Choose a job file"}
      </Button>
      {said && (
        <p role="alert" className="mt-3 border-ink border-l-4 pl-3 font-bold">
          {said}
        </p>
      )}
    </>
  );
}
