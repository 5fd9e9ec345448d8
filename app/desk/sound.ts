const KEPT = "hand-sound";

/** Whether this browser rings when another car needs a hand: off until somebody says so. */
export const isSoundOn = (): boolean => {
  try {
    return localStorage.getItem(KEPT) === "on";
  } catch {
    return false;
  }
};

export function setSound(isOn: boolean): void {
  try {
    localStorage.setItem(KEPT, isOn ? "on" : "off");
  } catch {
    // A browser that keeps nothing stays quiet.
  }
}

/** Two short tones, as loud as a kettle: heard over a running engine's idle. */
export function ring(): void {
  if (typeof AudioContext === "undefined") return;
  const context = new AudioContext();
  for (const [place, hertz] of [660, 880].entries()) {
    const tone = context.createOscillator();
    const loud = context.createGain();
    const from = context.currentTime + place * 0.25;
    tone.frequency.value = hertz;
    loud.gain.setValueAtTime(0.3, from);
    loud.gain.exponentialRampToValueAtTime(0.001, from + 0.22);
    tone.connect(loud).connect(context.destination);
    tone.start(from);
    tone.stop(from + 0.24);
  }
  setTimeout(() => void context.close(), 1000);
}
