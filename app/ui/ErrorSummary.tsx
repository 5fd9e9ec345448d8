import { useEffect, useRef, useState } from "react";

/**
 * What a form was refused for, all of it in one place: each message leads to its field. It takes the focus when it comes
 * up, so that nobody looks for what is wrong.
 */
export function ErrorSummary({ fields, message }: { fields: Record<string, string>; message?: string }) {
  const box = useRef<HTMLDivElement>(null);
  const wrong = Object.entries(fields).filter(([name]) => name !== "form");
  const isShown = wrong.length > 0 || Boolean(message);
  const what = JSON.stringify([fields, message]);
  const [labels, setLabels] = useState<Record<string, string>>({});
  const fieldOf = (name: string) =>
    (box.current?.closest("form") ?? document).querySelector<HTMLInputElement>(
      `[name="${CSS.escape(name)}"]`,
    );
  // biome-ignore lint/correctness/useExhaustiveDependencies: it takes the focus for each new set of what is wrong
  useEffect(() => {
    if (!isShown) return;
    setLabels(
      Object.fromEntries(wrong.map(([name]) => [name, fieldOf(name)?.labels?.[0]?.textContent ?? ""])),
    );
    box.current?.focus();
  }, [what, isShown]);
  if (!isShown) return null;
  return (
    <div ref={box} tabIndex={-1} role="alert" className="border-ink border-l-[6px] bg-wash py-2 pl-4">
      {message && <p className="font-bold">{message}</p>}
      {wrong.length > 0 && (
        <>
          <p className="font-bold">
            {wrong.length === 1
              ? "One field is to be put right"
              : `${wrong.length} fields are to be put right`}
          </p>
          <ul>
            {wrong.map(([name, said]) => (
              <li key={name}>
                <button
                  type="button"
                  className="min-h-11 text-left underline underline-offset-4"
                  onClick={() => fieldOf(name)?.focus()}
                >
                  {labels[name] ? `${labels[name]}: ${said}` : said}
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
