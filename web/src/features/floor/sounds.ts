let context: AudioContext | undefined;

/** A short tone, where the browser has sound; otherwise nothing. */
export function beep(frequency: number, milliseconds: number): void {
  try {
    context ??= new AudioContext();
    const tone = context.createOscillator();
    const volume = context.createGain();
    volume.gain.value = 0.2;
    tone.frequency.value = frequency;
    tone.connect(volume).connect(context.destination);
    tone.start();
    tone.stop(context.currentTime + milliseconds / 1000);
  } catch {
    // No sound on this device: the sweep and the figures still tell.
  }
}

/** Keeps the screen awake while the returned function has not been called, where the browser can. */
export function stayAwake(): () => void {
  let lock: WakeLockSentinel | undefined;
  let released = false;
  void navigator.wakeLock
    ?.request('screen')
    .then((got) => (released ? got.release() : void (lock = got)))
    .catch(() => undefined);
  return () => {
    released = true;
    void lock?.release();
  };
}
