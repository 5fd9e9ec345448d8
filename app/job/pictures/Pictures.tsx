import { useState } from "react";
import { type PictureLine, picturesOf } from "../../../core/stages/strip/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { TextField } from "../../ui/Field.tsx";
import { useJob, useWaiting } from "../stage/context.ts";
import { PictureDialog } from "./PictureDialog.tsx";
import { pictureName } from "./picture-name.ts";
import { TakePicture } from "./TakePicture.tsx";
import { usePictureSource } from "./usePictureSource.ts";

function Thumb({ picture, onOpen }: { picture: PictureLine; onOpen: () => void }) {
  const waiting = useWaiting();
  const source = usePictureSource(picture.id, "small");
  const { words, place, arrows } = picture;
  const name = pictureName({ place, words });
  return (
    <li>
      <button
        type="button"
        onClick={onOpen}
        aria-label={`Open the picture: ${name}`}
        className="flex w-full flex-col overflow-hidden rounded-md border-2 border-edge bg-sheet text-left hover:border-ink"
      >
        <img src={source} alt="" className="h-36 w-full bg-wash object-cover" />
        <span className="px-3 py-2 leading-snug">
          <span className="block break-words font-bold">{name}</span>
          <span className="text-ink-2">
            {[arrows.length > 0 ? "with an arrow" : "", waiting.has(picture.id) ? "not sent yet" : ""]
              .filter(Boolean)
              .join(", ")}
          </span>
        </span>
      </button>
    </li>
  );
}

/** The pictures that belong to one line of the book, or all of the job's. */
export function PictureList({ of }: { of?: string }) {
  const { entries } = useJob();
  const [openId, setOpen] = useState("");
  const pictures = picturesOf(entries).filter((picture) => of === undefined || picture.of === of);
  const opened = pictures.find(({ id }) => id === openId);
  if (pictures.length === 0) return null;
  return (
    <>
      <ul className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        {[...pictures].reverse().map((picture) => (
          <Thumb key={picture.id} picture={picture} onOpen={() => setOpen(picture.id)} />
        ))}
      </ul>
      {opened && <PictureDialog picture={opened} onClose={() => setOpen("")} />}
    </>
  );
}

/** A picture before it comes off says more than a note: what it shows, taken here, opened large. */
export function Pictures() {
  const { page, entries } = useJob();
  const [words, setWords] = useDraft(`picture:${page.job.id}`);
  const isNone = picturesOf(entries).length === 0;
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-end gap-4">
        <div className="min-w-56 flex-1">
          <TextField
            label="What the picture shows"
            placeholder="left fan plug before it came off"
            maxLength={120}
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
        </div>
        <TakePicture words={words} onTaken={() => setWords("")} />
      </div>
      {isNone ? (
        <p className="text-ink-2">
          None yet. Take one before you unplug; what a camera writes into it is taken out.
        </p>
      ) : (
        <PictureList />
      )}
    </div>
  );
}
