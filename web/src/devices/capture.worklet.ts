/** Runs on the sound thread: hands on what the microphone gives, in pieces, with the number of their first sample. */
declare const currentFrame: number;
declare const registerProcessor: (name: string, processor: unknown) => void;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}

const PIECE = 2048;

class Capture extends AudioWorkletProcessor {
  private piece = new Float32Array(PIECE);
  private filled = 0;
  private first = 0;

  process([input]: Float32Array[][]): boolean {
    const samples = input?.[0];
    if (!samples) return true;
    if (this.filled === 0) this.first = currentFrame;
    this.piece.set(samples, this.filled);
    this.filled += samples.length;
    if (this.filled + samples.length > PIECE) {
      const whole = this.piece.slice(0, this.filled);
      this.port.postMessage({ first: this.first, samples: whole }, [whole.buffer]);
      this.filled = 0;
    }
    return true;
  }
}
registerProcessor('eclat-capture', Capture);
