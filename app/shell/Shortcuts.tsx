import { Dialog } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { useFetcher, useNavigate, useParams } from "react-router";
import { STAGES } from "../../core/book/index.ts";
import { Button } from "../ui/Button.tsx";
import { useMember } from "./member.ts";

const KEYS = [
  ["/", "the entry line"],
  ["1 to 8", "a stage of the job"],
  ["n", "the next step"],
  ["g then t, v, s", "Today, Vehicles, Shop"],
  ["k", "find a vehicle"],
  ["u", "metric or US"],
  ["?", "these keys"],
] as const;

const PLACES: Record<string, string> = { t: "/", v: "/vehicles", s: "/shop" };
const TOGETHER_MS = 1200;

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName));

/** Every key is also a visible control; none works while somebody types. */
export function Shortcuts() {
  const [isOpen, setOpen] = useState(false);
  const { units } = useMember();
  const { jobId } = useParams();
  const navigate = useNavigate();
  const preferences = useFetcher();
  const gAt = useRef(0);
  useEffect(() => {
    const show = () => setOpen(true);
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      const { key } = event;
      const place = Date.now() - gAt.current < TOGETHER_MS ? PLACES[key] : undefined;
      const stage = jobId ? STAGES[Number(key) - 1] : undefined;
      gAt.current = 0;
      if (place) void navigate(place);
      else if (key === "g") gAt.current = Date.now();
      else if (key === "?") setOpen(true);
      else if (key === "k") void navigate("/vehicles");
      else if (key === "u")
        void preferences.submit(
          { units: units === "metric" ? "us" : "metric" },
          { method: "post", action: "/preferences" },
        );
      else if (stage) void navigate(`/jobs/${jobId}/${stage}`);
      else if (key === "n") document.querySelector<HTMLElement>("[data-next]")?.click();
      else if (key === "/") document.querySelector<HTMLElement>("[data-entry-line]")?.focus();
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", press);
    window.addEventListener("show-keys", show);
    return () => {
      window.removeEventListener("keydown", press);
      window.removeEventListener("show-keys", show);
    };
  }, [jobId, navigate, preferences, units]);
  return (
    <Dialog.Root open={isOpen} onOpenChange={setOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 w-[28rem] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 rounded-md border-2 border-ink bg-sheet p-6"
        >
          <Dialog.Title className="font-bold text-2xl">Keys</Dialog.Title>
          <dl className="my-4 grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
            {KEYS.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="figure font-bold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close asChild>
            <Button>Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
