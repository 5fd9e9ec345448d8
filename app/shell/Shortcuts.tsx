import { Dialog } from "radix-ui";
import { memo, useEffect, useState } from "react";
import { useFetcher, useNavigate } from "react-router";
import { useMember } from "../desk/member.ts";
import type { KeyPart, KeyWay } from "../keys/key-registry.ts";
import { keyBoard, useKeys } from "../keys/useKeys.ts";
import { Button } from "../ui/Button.tsx";
import { ChipsOne } from "../ui/Chips.tsx";
import { guardAgainstSlips } from "../ui/slips.ts";
import { useReturnFocus } from "../ui/useReturnFocus.ts";

const WAYS: Record<KeyWay, string> = { bare: "By themselves", alt: "With Alt held", off: "Off" };
const wayOf = (shown: string) => (Object.keys(WAYS) as KeyWay[]).find((way) => WAYS[way] === shown);

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName)) &&
  !(target instanceof HTMLInputElement && ["radio", "checkbox", "button", "submit"].includes(target.type));

/** Something lies over the page: it has the keyboard to itself. */
const isCovered = () =>
  document.querySelector(
    '[role="dialog"], [role="alertdialog"], [role="menu"], [data-radix-popper-content-wrapper]',
  ) !== null;

/** Listens for single keys, keeps slips from acting, and lists the keys of the screen in view. */
export const Shortcuts = memo(function Shortcuts() {
  const [listed, setListed] = useState<KeyPart[]>();
  const { units, keys: way } = useMember();
  const navigate = useNavigate();
  const preferences = useFetcher();
  const choose = (choice: Record<string, string>) =>
    void preferences.submit(choice, { method: "post", action: "/preferences" });
  const focus = useReturnFocus();
  const show = () => setListed(keyBoard.listed());
  useKeys("Everywhere", [
    {
      key: "g",
      shown: "g then n, t, v, w, s, b, o",
      what: "Mine, Today, Vehicles, Watch, Shelf, Bench, Shop",
      act: () => undefined,
    },
    { key: "k", what: "find a vehicle", act: () => void navigate("/vehicles") },
    { key: "u", what: "metric or US", act: () => choose({ units: units === "metric" ? "us" : "metric" }) },
    { key: "?", what: "these keys", act: show },
    {
      key: "n",
      what: "the next step",
      act: () => {
        const next = document.querySelector<HTMLElement>("[data-next]");
        // What is in hand is read out as it changes, and its field is one Tab away.
        (document.querySelector<HTMLElement>("[data-in-hand] [tabindex='-1']") ?? next)?.focus();
        // What begins something of its own is gone to, and begun by a second key.
        if (next?.dataset.next !== "asks") next?.click();
      },
    },
  ]);
  useEffect(() => guardAgainstSlips(document), []);
  useEffect(() => {
    keyBoard.setPlaces(
      [
        ["n", "/mine"],
        ["t", "/"],
        ["v", "/vehicles"],
        ["w", "/watch"],
        ["s", "/shelf"],
        ["b", "/bench"],
        ["o", "/shop"],
      ].map(([key = "", to = ""]) => ({ key, act: () => void navigate(to) })),
    );
    const open = () => setListed(keyBoard.listed());
    const press = (event: KeyboardEvent) => {
      if (isTyping(event.target) || isCovered()) return;
      const { key, code, altKey: isAlt, repeat: isRepeat } = event;
      const isOther = event.ctrlKey || event.metaKey;
      if (keyBoard.press({ key, code, isAlt, isOther, isRepeat }, way, document.activeElement, Date.now()))
        event.preventDefault();
    };
    window.addEventListener("keydown", press);
    window.addEventListener("show-keys", open);
    return () => {
      window.removeEventListener("keydown", press);
      window.removeEventListener("show-keys", open);
    };
  }, [navigate, way]);
  return (
    <Dialog.Root open={listed !== undefined} onOpenChange={(isOpen) => !isOpen && setListed(undefined)}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content aria-describedby={undefined} className="dialog dialog-wide" {...focus}>
          <Dialog.Title className="font-bold text-2xl">Keys</Dialog.Title>
          <div className="flex flex-col gap-2">
            <p id="key-way" className="font-bold">
              Single keys act
            </p>
            <ChipsOne
              label="Single keys act"
              options={Object.values(WAYS)}
              value={WAYS[way]}
              onChange={(shown) => {
                const chosen = wayOf(shown);
                if (chosen) choose({ keys: chosen });
              }}
            />
          </div>
          <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
            {listed?.map(({ name, keys, within }) => (
              <section key={name} aria-label={name}>
                <h3 className="border-rule border-b font-bold">
                  {name}
                  {within && <span className="font-normal text-ink-2">, while the focus is in it</span>}
                </h3>
                <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-6 gap-y-1">
                  {keys
                    .filter(({ what }) => what)
                    .map(({ key, shown, what }) => (
                      <div key={key} className="contents">
                        <dt className="figure font-bold">
                          {way === "alt" && "Alt "}
                          {shown ?? key}
                        </dt>
                        <dd>{what}</dd>
                      </div>
                    ))}
                </dl>
              </section>
            ))}
          </div>
          <Dialog.Close asChild>
            <Button>Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
});
