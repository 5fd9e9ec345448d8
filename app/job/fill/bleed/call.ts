const BEEP_HZ = 880;
const BEEP_S = 0.6;

/** Calls somebody to the car: a tone and a shake, where the browser has them and was touched before. */
export function call(): void {
  navigator.vibrate?.([300, 120, 300]);
  try {
    const audio = new AudioContext();
    const tone = audio.createOscillator();
    const loudness = audio.createGain();
    loudness.gain.value = 0.2;
    tone.frequency.value = BEEP_HZ;
    tone.connect(loudness).connect(audio.destination);
    tone.onended = () => void audio.close();
    tone.start();
    tone.stop(audio.currentTime + BEEP_S);
  } catch {
    // Without sound the step's end is still on the screen, and on Today.
  }
}
