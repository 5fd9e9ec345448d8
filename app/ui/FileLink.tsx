import { type MouseEvent, type ReactNode, useState } from "react";

const KEPT_MS = 10_000;

/** Gives what was fetched to the browser under its name, as the link itself would. */
function keep(file: Blob, name: string): void {
  const address = URL.createObjectURL(file);
  const link = Object.assign(document.createElement("a"), { href: address, download: name });
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), KEPT_MS);
}

/**
 * A link to a file that takes its time to be made: it says so meanwhile. A plain link for whoever opens it elsewhere, and where it can't
 * be had: then the server's own page says why.
 */
export function FileLink({ href, name, children }: { href: string; name: string; children: ReactNode }) {
  const [isMade, setMade] = useState(false);
  const fetchIt = async (event: MouseEvent<HTMLAnchorElement>) => {
    if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
    event.preventDefault();
    if (isMade) return;
    setMade(true);
    try {
      const answer = await fetch(href);
      // A page instead of the file, to sign in or a network's own: it is shown, not kept under the file's name.
      const isPage = answer.redirected || /text\/html/.test(answer.headers.get("Content-Type") ?? "");
      if (!answer.ok || isPage) throw new Error(String(answer.status));
      const named = /filename="([^"]+)"/.exec(answer.headers.get("Content-Disposition") ?? "")?.[1];
      keep(await answer.blob(), named ?? name);
    } catch {
      window.location.assign(href);
    }
    setMade(false);
  };
  return (
    <a
      href={href}
      download={name}
      className="inline-flex min-h-12 items-center font-bold underline underline-offset-4"
      aria-busy={isMade}
      onClick={fetchIt}
    >
      {children}
      <span role="status" className="font-normal text-ink-2">
        {isMade && <>, being made</>}
      </span>
    </a>
  );
}
