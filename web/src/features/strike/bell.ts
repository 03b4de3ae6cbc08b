/**
 * Partials of a small bell beside its strike note, and how long each rings, s. From memory of bells; a gong would be
 * lower and longer.
 */
const PARTIALS = [
  [1, 1.6, 1],
  [2.0, 1.1, 0.6],
  [2.4, 0.9, 0.5],
  [3.0, 0.6, 0.35],
  [4.2, 0.35, 0.25],
] as const;
const NOTE_HZ = 880,
  QUARTER_HZ = [659, 587, 523, 392] as const;

/** A bell made of sines: nothing is fetched, nothing is played back. */
export class Bell {
  private readonly context = new AudioContext();

  /** One blow, or the four notes of a change. */
  strike(change: boolean): void {
    if (change) QUARTER_HZ.forEach((hz, i) => this.blow(hz, i * 0.19));
    else this.blow(NOTE_HZ, 0);
  }
  private blow(hz: number, inS: number): void {
    const at = this.context.currentTime + inS + 0.01;
    for (const [times, seconds, loud] of PARTIALS) {
      const tone = this.context.createOscillator(),
        gain = this.context.createGain();
      tone.frequency.value = hz * times;
      gain.gain.setValueAtTime(0.12 * loud, at);
      gain.gain.exponentialRampToValueAtTime(1e-4, at + seconds);
      tone.connect(gain).connect(this.context.destination);
      tone.start(at);
      tone.stop(at + seconds);
    }
  }
  close(): void {
    void this.context.close();
  }
}
