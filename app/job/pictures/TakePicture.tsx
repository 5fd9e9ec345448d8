import { Camera, Image as ImageMark } from "lucide-react";
import { type ChangeEvent, useRef, useState } from "react";
import { v4 as newId } from "uuid";
import { tookPicture } from "../../../core/book/acts/index.ts";
import { Button } from "../../ui/Button.tsx";
import { useJob } from "../stage/context.ts";
import { shrink } from "./shrink.ts";

/** By the device's camera or from a file: shrunk here, kept here until the server has it. */
export function TakePicture({
  words,
  place,
  of,
  onTaken,
}: {
  /** What it shows; asked for where it is empty. */
  words: string;
  place?: string;
  of?: string;
  onTaken?: () => void;
}) {
  const { book, mayBook } = useJob();
  const camera = useRef<HTMLInputElement>(null);
  const file = useRef<HTMLInputElement>(null);
  const [trouble, setTrouble] = useState("");
  const [isBusy, setBusy] = useState(false);
  const take = async ({ currentTarget }: ChangeEvent<HTMLInputElement>) => {
    const [chosen] = currentTarget.files ?? [];
    currentTarget.value = "";
    if (!chosen) return;
    setTrouble("");
    setBusy(true);
    const shrunk = await shrink(chosen);
    setBusy(false);
    if ("trouble" in shrunk) return setTrouble(shrunk.trouble);
    const { bytes, width, height } = shrunk;
    const said = words.trim() || "as it is";
    const about = { ...(place ? { place } : {}), ...(of ? { of } : {}) };
    book(tookPicture({ width, height, ...(of ? { of } : {}) }, said, place), [newId()], {
      kind: "picture",
      bytes,
      words: said,
      ...about,
    });
    onTaken?.();
  };
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap gap-3">
        <Button disabled={!mayBook || isBusy} onClick={() => camera.current?.click()}>
          <Camera aria-hidden="true" /> Take a picture
        </Button>
        <Button weight="quiet" disabled={!mayBook || isBusy} onClick={() => file.current?.click()}>
          <ImageMark aria-hidden="true" /> From a file
        </Button>
        <input ref={camera} type="file" accept="image/*" capture="environment" hidden onChange={take} />
        <input ref={file} type="file" accept="image/*" hidden data-picture-file onChange={take} />
      </div>
      <div role="alert">{trouble && <p className="border-ink border-l-4 pl-3 font-bold">{trouble}</p>}</div>
    </div>
  );
}
