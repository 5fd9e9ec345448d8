import { Dialog } from "radix-ui";
import { type KeyboardEvent, type PointerEvent, useState } from "react";
import { pointedAt } from "../../../core/book/acts/index.ts";
import type { PictureLine } from "../../../core/stages/strip/index.ts";
import { Button } from "../../ui/Button.tsx";
import { clockOf, dateOf } from "../../ui/dates.ts";
import { useReturnFocus } from "../../ui/useReturnFocus.ts";
import { useJob } from "../stage/context.ts";
import { pictureName } from "./picture-name.ts";
import { usePictureSource } from "./usePictureSource.ts";

interface Point {
  x: number;
  y: number;
}
const MIDDLE: Point = { x: 0.5, y: 0.5 };
const STEP = 0.02;
const KEYS: Record<string, Point> = {
  ArrowLeft: { x: -STEP, y: 0 },
  ArrowRight: { x: STEP, y: 0 },
  ArrowUp: { x: 0, y: -STEP },
  ArrowDown: { x: 0, y: STEP },
};
const within = (share: number) => Math.min(1, Math.max(0, share));
const rounded = ({ x, y }: Point): Point => ({
  x: Math.round(x * 1000) / 1000,
  y: Math.round(y * 1000) / 1000,
});

/** An arrow whose head is at a point; it comes from the side where there is room. */
function ArrowMark({ at, width, height }: { at: Point; width: number; height: number }) {
  const long = Math.max(width, height) * 0.16;
  const turn = (at.x > 0.5 ? 0 : 180) + (at.x > 0.5 === at.y > 0.5 ? 45 : -45);
  return (
    <g
      transform={`translate(${at.x * width} ${at.y * height}) rotate(${turn}) scale(${long / 100})`}
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      {["var(--paper)", "var(--ink)"].map((color, index) => (
        <path
          key={color}
          d="M-100 0H-3M-32 -22L0 0L-32 22"
          fill="none"
          stroke={color}
          strokeWidth={index === 0 ? 20 : 10}
        />
      ))}
    </g>
  );
}

/** A picture large, with the arrows on it; another is put where it is tapped, or moved there by the arrow keys. */
export function PictureDialog({ picture, onClose }: { picture: PictureLine; onClose: () => void }) {
  const { page, timeZone, book, mayBook } = useJob();
  const source = usePictureSource(picture.id, "large");
  const focus = useReturnFocus();
  const [put, setPut] = useState<Point>();
  const { words, place, width, height, by, at, arrows } = picture;
  const name = pictureName({ place, words });
  const point = ({ currentTarget, clientX, clientY }: PointerEvent<HTMLDivElement>) => {
    if (!mayBook) return;
    const box = currentTarget.getBoundingClientRect();
    setPut({ x: within((clientX - box.left) / box.width), y: within((clientY - box.top) / box.height) });
  };
  const move = (event: KeyboardEvent) => {
    const step = KEYS[event.key];
    if (!step || !mayBook) return;
    event.preventDefault();
    const from = put ?? MIDDLE;
    setPut({ x: within(from.x + step.x), y: within(from.y + step.y) });
  };
  const keep = () => {
    if (!put) return;
    book(pointedAt(picture.id, rounded(put), name));
    setPut(undefined);
  };
  return (
    <Dialog.Root open onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-50 bg-black/60 print:hidden" />
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={focus.onOpenAutoFocus}
          onCloseAutoFocus={focus.onCloseAutoFocus}
          className="fixed top-1/2 left-1/2 z-[60] flex max-h-[96dvh] w-[64rem] max-w-[96vw] -translate-x-1/2 -translate-y-1/2 flex-col gap-3 overflow-y-auto rounded-md border-2 border-ink bg-sheet p-4 print:static print:max-h-none print:w-full print:max-w-none print:translate-x-0 print:translate-y-0 print:border-0"
        >
          <div data-sheet>
            <Dialog.Title className="break-words font-bold text-xl">{name}</Dialog.Title>
            <p className="mb-2 text-ink-2">
              {page.vehicle.plate}, {page.names[by] ?? "somebody"}, {dateOf(at, timeZone)},{" "}
              {clockOf(at, timeZone)}
            </p>
            <div
              className="relative mx-auto"
              style={{ aspectRatio: `${width} / ${height}`, maxHeight: "66dvh", maxWidth: "100%" }}
            >
              <img src={source} alt={name} className="block h-full w-full" />
              <div
                // biome-ignore lint/a11y/noNoninteractiveTabindex: the arrow is put by its arrow keys
                tabIndex={0}
                role="application"
                aria-label="Arrow: tap where it points, or move it by the arrow keys"
                className="absolute inset-0 h-full w-full touch-none"
                onPointerDown={point}
                onKeyDown={move}
              >
                <svg viewBox={`0 0 ${width} ${height}`} aria-hidden="true" className="h-full w-full">
                  {arrows.map(({ x, y, entryId }) => (
                    <ArrowMark key={entryId} at={{ x, y }} width={width} height={height} />
                  ))}
                  {put && <ArrowMark at={put} width={width} height={height} />}
                </svg>
              </div>
            </div>
          </div>
          <div className="flex flex-wrap items-center justify-end gap-3 print:hidden">
            <p role="status" className="mr-auto text-ink-2">
              {put
                ? `Arrow at ${Math.round(put.x * 100)} % from the left, ${Math.round(put.y * 100)} % from the top.`
                : mayBook && "Tap on it to say: this one."}
            </p>
            {put && (
              <>
                <Button weight="quiet" onClick={() => setPut(undefined)}>
                  No arrow
                </Button>
                <Button onClick={keep}>Keep the arrow</Button>
              </>
            )}
            <Button weight="quiet" onClick={() => window.print()}>
              Print it
            </Button>
            <Button onClick={onClose}>Close</Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
