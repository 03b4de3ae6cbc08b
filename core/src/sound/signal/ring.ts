/** The last samples of a sound that goes on. A sample keeps its number for ever. */
export class SoundRing {
  private readonly kept: Float32Array;
  private end = 0;
  constructor(size: number) {
    this.kept = new Float32Array(size);
  }

  push(samples: Float32Array): void {
    for (let done = 0; done < samples.length;) {
      const at = this.end % this.kept.length;
      const piece = samples.subarray(done, done + Math.min(samples.length - done, this.kept.length - at));
      this.kept.set(piece, at);
      this.end += piece.length;
      done += piece.length;
    }
  }

  /** `count` samples from a sample number on; null when they are gone or not there yet. */
  readonly give = (from: number, count: number): Float32Array | null => {
    if (from < Math.max(0, this.end - this.kept.length) || from + count > this.end) return null;
    const out = new Float32Array(count);
    const at = from % this.kept.length;
    const first = Math.min(count, this.kept.length - at);
    out.set(this.kept.subarray(at, at + first));
    if (first < count) out.set(this.kept.subarray(0, count - first), first);
    return out;
  };
}
