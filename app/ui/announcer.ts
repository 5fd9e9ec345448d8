/** What is read out, told by whoever did something; the page's one live region subscribes. */
class Announcements {
  private said = { text: "", turn: 0 };
  private readonly listeners = new Set<() => void>();

  readonly snapshot = (): { text: string; turn: number } => this.said;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Reads a sentence out once, after what it tells of. The same words again are read again. */
  readonly announce = (text: string): void => {
    this.said = { text, turn: this.said.turn + 1 };
    for (const listener of this.listeners) listener();
  };
}

export const announcements = new Announcements();
export const { announce } = announcements;
