/** What the page knows of the server. */
export interface Connection {
  /** Since when no server answers, in ISO 8601; nothing while one does. */
  cutOffSince?: string;
  /** The reference of the server's own fault, where it is there and stumbles. */
  reference?: string;
  /** What is wrong there, in the server's own words, where it answers and can't do its work. */
  why?: string;
  /** True where the server is there and the session has ended. */
  isSignedOut: boolean;
  /** When what is shown was read, in ISO 8601, where it is not from now. */
  shownFrom?: string;
}

/** As long as nobody has asked. */
export const THERE: Connection = { isSignedOut: false };

/** Whether there is a server, told by whoever asked it last; views subscribe. */
export class ConnectionState {
  private state = THERE;
  private readonly listeners = new Set<() => void>();

  readonly snapshot = (): Connection => this.state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private change(next: Connection): void {
    const names = ["cutOffSince", "reference", "why", "isSignedOut", "shownFrom"] as const;
    if (names.every((name) => this.state[name] === next[name])) return;
    this.state = next;
    for (const listener of this.listeners) listener();
  }

  /** No answer, or no answer of ours. The first of a row of them is since when. */
  lost(now: string, { reference, why }: { reference?: string; why?: string } = {}): void {
    const { cutOffSince = now, shownFrom, isSignedOut } = this.state;
    this.change({
      cutOffSince,
      isSignedOut,
      ...(reference ? { reference } : {}),
      ...(why ? { why } : {}),
      ...(shownFrom ? { shownFrom } : {}),
    });
  }

  /** Our server answered. */
  found(): void {
    this.change({ isSignedOut: false });
  }

  /** The server is there and knows nobody here. */
  signedOut(): void {
    const { shownFrom } = this.state;
    this.change({ isSignedOut: true, ...(shownFrom ? { shownFrom } : {}) });
  }

  /** A page is shown as it was read then. */
  showing(at: string): void {
    this.change({ ...this.state, shownFrom: at });
  }
}

/** The browser's one connection. Only what runs in the browser touches it. */
export const connection = new ConnectionState();
