/** What the line may become: tapped, or chosen by arrows from the field. */
export function Offers({
  id,
  offers,
  chosen,
  onTake,
}: {
  id: string;
  offers: readonly string[];
  chosen: number;
  onTake: (offer: string) => void;
}) {
  if (offers.length === 0) return null;
  return (
    <div id={`${id}-offers`} role="listbox" aria-label="May become" className="mb-1 flex flex-wrap gap-1">
      {offers.map((offer, index) => (
        <button
          key={offer}
          id={`${id}-offer-${index}`}
          type="button"
          role="option"
          aria-selected={index === chosen}
          tabIndex={-1}
          className={`figure min-h-11 rounded border px-3 text-sm ${index === chosen ? "border-ink bg-ink text-paper" : "border-edge"}`}
          onClick={() => onTake(offer)}
        >
          {offer}
        </button>
      ))}
    </div>
  );
}
