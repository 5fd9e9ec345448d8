import { useState } from "react";
import { chosePart } from "../../../core/book/acts/index.ts";
import type { ShelfItem } from "../../../core/trade/shelf/index.ts";
import { GRADES, type Grade } from "../../../core/trade/sourcing/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";
import { FoldOfJob, useFolds } from "../stage/Fold.tsx";
import { FromShelf } from "./FromShelf.tsx";

/** A part chosen without comparing: it lies on the shelf, or there is but one. */
export function ChoosePart({ shelf }: { shelf: readonly ShelfItem[] }) {
  const { page, book, mayBook } = useJob();
  const [item, setItem] = useDraft(`part:${page.job.id}`);
  const [place, setPlace] = useDraft(`part-place:${page.job.id}`);
  const [supplier, setSupplier] = useDraft(`supplier:${page.job.id}`);
  const [grade, setGrade] = useDraft(`grade:${page.job.id}`);
  const folds = useFolds();
  const [isAsked, setAsked] = useState(false);
  const choose = () => {
    if (!item.trim() || !supplier.trim() || !grade) return setAsked(true);
    book(chosePart({ item, place, grade: grade as Grade, supplier }));
    setItem("");
    setPlace("");
    setSupplier("");
    setGrade("");
    setAsked(false);
  };
  return (
    <section aria-labelledby="choose" className="flex flex-col gap-4">
      <h3 id="choose" className="text-xl">
        Choose a part
      </h3>
      <FromShelf shelf={shelf} named={item} />
      <FoldOfJob
        name="By name"
        says={[item, place, grade, supplier].filter(Boolean).join(", ") || "part, grade, supplier"}
        folds={shelf.length > 0 ? folds : "never"}
      >
        <div className="grid gap-4 sm:grid-cols-2">
          <TextField
            label="Part"
            value={item}
            maxLength={120}
            placeholder="radiator"
            error={isAsked && !item.trim() ? "Name the part." : undefined}
            onChange={(event) => setItem(event.target.value)}
            disabled={!mayBook}
          />
          <TextField
            label="Where, if there are several"
            value={place}
            maxLength={60}
            placeholder="left"
            onChange={(event) => setPlace(event.target.value)}
            disabled={!mayBook}
          />
          <div>
            <p className="mb-1 font-bold">Grade</p>
            <ChipsOne label="Grade" options={GRADES} value={grade} onChange={setGrade} />
            {isAsked && !grade && (
              <p role="alert" className="mt-1 border-ink border-l-4 pl-2 font-bold text-sm">
                Choose the grade.
              </p>
            )}
          </div>
          <div className="flex items-start gap-3">
            <div className="flex-1">
              <TextField
                label="Supplier"
                value={supplier}
                maxLength={80}
                placeholder="Coldbrook Parts"
                error={isAsked && !supplier.trim() ? "Say who supplies it." : undefined}
                onChange={(event) => setSupplier(event.target.value)}
                disabled={!mayBook}
              />
            </div>
            <Button onClick={choose} disabled={!mayBook} className="mt-7">
              Choose it
            </Button>
          </div>
        </div>
      </FoldOfJob>
    </section>
  );
}
