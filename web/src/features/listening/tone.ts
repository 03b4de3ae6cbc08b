/**
 * A tone for ears whose eyes are on the crutch: two notes by turns, the first always the same, the second the higher
 * the longer the right side is. When it is in beat they are one note.
 */
export class Tone {
  private readonly context = new AudioContext();
  private readonly gain = this.context.createGain();
  private readonly oscillator = this.context.createOscillator();
  private readonly timer: ReturnType<typeof setInterval>;
  private second = false;
  private share: number | null = null;

  constructor() {
    this.gain.gain.value = 0;
    this.oscillator.connect(this.gain).connect(this.context.destination);
    this.oscillator.start();
    this.timer = setInterval(() => this.note(), 420);
  }
  /** Share of the beat by which the left side is longer; null is silence. */
  say(share: number | null): void {
    this.share = share;
  }

  private note(): void {
    const { currentTime: now } = this.context;
    this.second = !this.second;
    if (this.share === null) return void this.gain.gain.setTargetAtTime(0, now, 0.03);
    // A semitone for each half per cent, an octave at the most.
    const semitones = this.second ? Math.max(-12, Math.min(12, -this.share / 0.005)) : 0;
    this.oscillator.frequency.setValueAtTime(440 * 2 ** (semitones / 12), now);
    this.gain.gain.setTargetAtTime(0.08, now, 0.01);
    this.gain.gain.setTargetAtTime(0, now + 0.3, 0.03);
  }
  close(): void {
    clearInterval(this.timer);
    void this.context.close();
  }
}
