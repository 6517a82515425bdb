/** How the end of a rest is told at the rack: by sound and by vibration, as chosen on this device. */

export interface SignalChoice {
  sound: boolean;
  vibration: boolean;
}

const KEY = "field-anchor:signal";
const BEEP = { hertz: 880, seconds: 0.35, volume: 0.25 };

export function signalChoice(): SignalChoice {
  try {
    const { sound, vibration } = JSON.parse(localStorage.getItem(KEY) ?? "{}") as Partial<SignalChoice>;
    return { sound: sound ?? false, vibration: vibration ?? true };
  } catch {
    return { sound: false, vibration: true };
  }
}

export const chooseSignal = (choice: SignalChoice): void => localStorage.setItem(KEY, JSON.stringify(choice));

/** A browser that cannot, or may not before a first touch, is silent. */
export function signalRestOver(): void {
  const { sound, vibration } = signalChoice();
  if (vibration) navigator.vibrate?.([200, 100, 200]);
  if (!sound) return;
  try {
    const audio = new AudioContext();
    const tone = audio.createOscillator();
    const gain = audio.createGain();
    tone.frequency.value = BEEP.hertz;
    gain.gain.value = BEEP.volume;
    tone.connect(gain).connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + BEEP.seconds);
    tone.onended = () => void audio.close();
  } catch {
    // No sound here.
  }
}
