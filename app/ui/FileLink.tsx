import { type MouseEvent, type ReactNode, useState } from "react";
import { keepFile } from "./keep-file.ts";

const WORDS = { made: ", being made", later: ", no server to be had: try it again later" };

/**
 * A link to a file that takes its time to be made: it says so meanwhile, and where no server answers. A plain link for whoever opens it
 * elsewhere; where a page comes instead of the file, the page says why.
 */
export function FileLink({ href, name, children }: { href: string; name: string; children: ReactNode }) {
  const [is, setIs] = useState<keyof typeof WORDS>();
  const fetchIt = async (event: MouseEvent<HTMLAnchorElement>) => {
    if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
    event.preventDefault();
    if (is === "made") return;
    setIs("made");
    try {
      const answer = await fetch(href);
      // A page instead of the file, to sign in or a network's own: it is shown, not kept under the file's name.
      const isPage = answer.redirected || /text\/html/.test(answer.headers.get("Content-Type") ?? "");
      if (!answer.ok || isPage) window.location.assign(href);
      else {
        const named = /filename="([^"]+)"/.exec(answer.headers.get("Content-Disposition") ?? "")?.[1];
        keepFile(await answer.blob(), named ?? name);
      }
      setIs(undefined);
    } catch {
      setIs("later");
    }
  };
  return (
    <a
      href={href}
      download={name}
      className="inline-flex min-h-12 items-center font-bold underline underline-offset-4"
      aria-busy={is === "made"}
      onClick={fetchIt}
    >
      {children}
      <span role="status" className="font-normal text-ink-2">
        {is && WORDS[is]}
      </span>
    </a>
  );
}
