import { Upload } from "lucide-react";
import { type DragEvent, useRef, useState } from "react";
import { Button } from "../../ui/Button.tsx";

/** Where a log is dropped or chosen. */
export function DropHere({
  isAnother,
  onTake,
}: {
  isAnother: boolean;
  onTake: (file: File | undefined) => Promise<void>;
}) {
  const [isOver, setOver] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void onTake(event.dataTransfer.files[0]);
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: dropping is a second way; the button inside is the first
    <div
      className={`flex flex-wrap items-center gap-4 rounded-md border-2 border-dashed p-4 ${isOver ? "border-ink bg-wash" : "border-edge"}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <Upload aria-hidden="true" />
      <p className="min-w-48 flex-1">
        {isAnother ? "Drop another warm-up log here." : "Drop a warm-up log here."}{" "}
        <span className="text-ink-2">CSV with a time and a coolant temperature.</span>
      </p>
      <Button onClick={() => input.current?.click()}>Choose a file</Button>
      <input
        ref={input}
        type="file"
        accept=".csv,.tsv,.txt,text/csv,text/plain"
        className="sr-only"
        tabIndex={-1}
        aria-label="Warm-up log"
        onChange={(event) =>
          void onTake(event.target.files?.[0]).then(
            () => event.target && Object.assign(event.target, { value: "" }),
          )
        }
      />
    </div>
  );
}
