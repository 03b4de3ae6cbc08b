/**
 * What a label printer is asked: the picture of a label. The real one and the stand-in are behind the same interface.
 */
export interface LabelPrinter {
  name: string;
  print: (label: { picture: string; copies: number }) => Promise<void>;
}

export interface Printed {
  picture: string;
  copies: number;
  at: number;
}

/** A stand-in that keeps what it printed, for all to see. It takes as long as a small printer does. */
export class SimulatedPrinter implements LabelPrinter {
  readonly name = 'Simulated label printer';
  constructor(
    private readonly keep: (printed: Printed) => void,
    private readonly wait: (ms: number) => Promise<void> = (ms) => new Promise((done) => setTimeout(done, ms)),
  ) {}

  async print({ picture, copies }: { picture: string; copies: number }): Promise<void> {
    await this.wait(400 * copies);
    this.keep({ picture, copies, at: Date.now() });
  }
}
