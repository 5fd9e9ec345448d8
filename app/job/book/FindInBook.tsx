import { Search } from "lucide-react";
import { useId } from "react";
import { STAGES, type Stage } from "../../../core/book/entry/index.ts";
import { STAGE_NAMES } from "../../shell/stage-names.ts";
import { type BookFilter, isFiltered, NO_FILTER } from "./filter-lines.ts";

/** The book searched by word, place, stage and what is still out. */
export function FindInBook({
  filter,
  found,
  onChange,
}: {
  filter: BookFilter;
  found: number;
  onChange: (filter: BookFilter) => void;
}) {
  const id = useId();
  return (
    <search className="flex flex-wrap items-center gap-2 border-rule border-b px-4 pb-2">
      <label htmlFor={id} className="sr-only">
        Word, place or number of a line
      </label>
      <span className="flex min-h-11 min-w-40 flex-1 items-center gap-1 rounded-md border-2 border-edge bg-paper px-2 focus-within:outline-3 focus-within:outline-ink">
        <Search size={18} aria-hidden="true" />
        <input
          id={id}
          type="search"
          className="min-h-10 w-full min-w-0 bg-transparent outline-none"
          placeholder="word, place, number"
          maxLength={80}
          value={filter.words}
          onChange={(event) => onChange({ ...filter, words: event.target.value })}
        />
      </span>
      <select
        aria-label="Lines of which stage"
        className="min-h-11 rounded-md border-2 border-edge bg-paper px-2"
        value={filter.stage}
        onChange={(event) => onChange({ ...filter, stage: event.target.value as Stage | "" })}
      >
        <option value="">every stage</option>
        {STAGES.map((stage) => (
          <option key={stage} value={stage}>
            {STAGE_NAMES[stage]}
          </option>
        ))}
      </select>
      <label className="flex min-h-11 items-center gap-2 px-1">
        <input
          type="checkbox"
          className="size-5"
          checked={filter.isStillOpen}
          onChange={(event) => onChange({ ...filter, isStillOpen: event.target.checked })}
        />
        still out
      </label>
      {isFiltered(filter) && (
        <span className="flex min-h-11 items-center gap-2">
          <span role="status">{found === 1 ? "one line" : `${found} lines`}</span>
          <button
            type="button"
            className="min-h-11 px-2 underline underline-offset-4"
            onClick={() => onChange(NO_FILTER)}
          >
            Show all
          </button>
        </span>
      )}
    </search>
  );
}
