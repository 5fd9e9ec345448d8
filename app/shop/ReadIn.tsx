import { useRef, useState } from "react";
import { useFetcher, useNavigate } from "react-router";
import type { Refused } from "../desk/guard.server.ts";
import { Button } from "../ui/Button.tsx";

const UNREACHABLE =
  "The server can't be reached just now, and nothing was read in. Choose the file again later.";
const isArchive = ({ name, type }: File) => type === "application/zip" || /\.zip$/i.test(name);

const SIGNED_OUT = "You are not signed in any more. Sign in, then choose the file again.";

type Told = { id?: unknown } & Partial<Refused>;

/** Sends an archive as it is, so that one larger than memory goes too; answers with the job that it became or what was wrong. */
async function sendArchive(file: File): Promise<{ id: string } | { said: string }> {
  try {
    const headers = { "Content-Type": "application/zip" };
    const answer = await fetch("/jobs/read-in.zip", { method: "POST", headers, body: file });
    if (answer.status === 401) return { said: SIGNED_OUT };
    const { id, refused }: Told = await answer.json();
    if (answer.ok && typeof id === "string") return { id };
    const said = refused && (refused.message || Object.values(refused.fields).join(" "));
    return { said: said || UNREACHABLE };
  } catch {
    return { said: UNREACHABLE };
  }
}

/** A job file becomes a job of this shop; the same file twice is one job. */
export function ReadIn() {
  const reading = useFetcher<Refused>();
  const navigate = useNavigate();
  const [sent, setSent] = useState<{ isBusy: boolean; said: string }>({ isBusy: false, said: "" });
  const input = useRef<HTMLInputElement>(null);
  const isBusy = reading.state !== "idle" || sent.isBusy;
  const { message, fields } = reading.data?.refused ?? { message: "", fields: {} as Record<string, string> };
  const said = isBusy ? "" : sent.said || message || Object.values(fields).join(" ");
  const send = async (file: File | undefined) => {
    if (!file) return;
    if (isArchive(file)) {
      setSent({ isBusy: true, said: "" });
      const answer = await sendArchive(file);
      setSent({ isBusy: false, said: "said" in answer ? answer.said : "" });
      if ("id" in answer) void navigate(`/jobs/${answer.id}/sign`);
      return;
    }
    setSent({ isBusy: false, said: "" });
    const form = new FormData();
    form.set("job", file);
    void reading.submit(form, { method: "post", action: "/jobs/read-in", encType: "multipart/form-data" });
  };
  return (
    <>
      <p className="mb-3 text-ink-2">
        A job written by “The whole job as one file” here or in another shop gets this shop's next number and
        says where it came from. Reading the same one again changes nothing.
      </p>
      <input
        ref={input}
        type="file"
        accept=".zip,application/zip,.json,application/json"
        className="sr-only"
        tabIndex={-1}
        aria-label="Job file"
        onChange={(event) => {
          void send(event.target.files?.[0]);
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
