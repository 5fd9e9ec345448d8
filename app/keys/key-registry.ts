/** One key and what it does here. */
export interface KeyDoing {
  /** As the keyboard names it, unshifted letters small: "n", "/", "1". */
  key: string;
  /** What stands in the list of keys; nothing where another row speaks for it. */
  what?: string;
  /** How the list shows it, where that is not the key itself: "1 to 8". */
  shown?: string;
  act: () => void;
}

/** The keys of one part of the screen. */
export interface KeyPart {
  /** The part's name in the list of keys. */
  name: string;
  keys: readonly KeyDoing[];
  /** Where the part is: its keys act while focus is within. Left out for keys of the whole screen. */
  within?: () => HTMLElement | null;
}

/** How single keys act for a person: bare, with Alt held, or not at all (WCAG 2.1.4). */
export const KEY_WAYS = ["bare", "alt", "off"] as const;
export type KeyWay = (typeof KEY_WAYS)[number];

/** What a key press says, whatever the browser calls it. */
export interface Press {
  key: string;
  code: string;
  isAlt: boolean;
  isOther: boolean;
  isRepeat: boolean;
}

/** A letter for a place follows g within so long. */
const TOGETHER_MS = 1500;

/** With Alt held a keyboard may print something else, so that the place of the key speaks: KeyN is n, Digit2 is 2. */
function named({ key, code, isAlt }: Press): string {
  const physical = /^(?:Key|Digit)(\w)$/.exec(code)?.[1]?.toLowerCase();
  if (isAlt && physical) return physical;
  return isAlt && code === "Slash" && key !== "?" ? "/" : key;
}

/** Which keys do what at the moment: parts come and go with what is on screen. */
export class KeyRegistry {
  private readonly parts = new Set<KeyPart>();
  private places: readonly KeyDoing[] = [];
  private goingAt = Number.NEGATIVE_INFINITY;

  add(part: KeyPart): () => void {
    this.parts.add(part);
    return () => this.parts.delete(part);
  }

  /** Where g and a letter go. */
  setPlaces(places: readonly KeyDoing[]): void {
    this.places = places;
  }

  /** Every part on screen with its keys, the whole screen's first. */
  listed(): KeyPart[] {
    const whole = [...this.parts].filter(({ within }) => !within);
    return [...whole, ...[...this.parts].filter(({ within }) => within?.())];
  }

  /**
   * Does what a press asks for. `focus` is where focus is. After g only a place's letter counts, and no letter does
   * anything else. True where the press was meant for us.
   */
  press(press: Press, way: KeyWay, focus: Element | null, now: number): boolean {
    if (way === "off" || press.isOther || press.isAlt !== (way === "alt") || press.isRepeat) return false;
    const key = named(press);
    const isGoing = now - this.goingAt < TOGETHER_MS;
    this.goingAt = key === "g" && !isGoing ? now : Number.NEGATIVE_INFINITY;
    if (isGoing) {
      this.places.find((place) => place.key === key)?.act();
      return true;
    }
    if (key === "g") return true;
    const found = this.doing(key, focus);
    found?.act();
    return found !== undefined;
  }

  private doing(key: string, focus: Element | null): KeyDoing | undefined {
    const here = [...this.parts].filter(({ within }) => !within || within()?.contains(focus));
    // The part that has the focus speaks before the whole screen.
    here.sort((a, b) => Number(b.within !== undefined) - Number(a.within !== undefined));
    for (const { keys } of here) {
      const found = keys.find((each) => each.key === key);
      if (found) return found;
    }
    return undefined;
  }
}
