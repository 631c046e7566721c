/** Work that waits for its turn in a lane. */
interface Lane {
  readonly waiting: (() => void)[];
  readonly isFirst: boolean;
}

export interface FairQueueOptions {
  /** Most that may wait in one lane, and in all together. */
  readonly mostOfLane: number;
  readonly most: number;
}

/**
 * One piece of work at a time, lane by lane in turn: whoever fills a lane keeps only that one waiting. Lanes that go first get every
 * second turn, however many others there are.
 */
export class FairQueue {
  private readonly lanes = new Map<string, Lane>();
  private isBusy = false;
  private waits = 0;
  private wasFirst = false;

  private readonly options: FairQueueOptions;

  constructor(options: FairQueueOptions) {
    this.options = options;
  }

  /** Does the work in its turn; undefined where too much waits already. */
  async run<T>(key: string, work: () => Promise<T>, isFirst = false): Promise<T | undefined> {
    const lane = this.lanes.get(key) ?? { waiting: [], isFirst };
    const { mostOfLane, most } = this.options;
    if (this.isBusy && (lane.waiting.length >= mostOfLane || (!isFirst && this.waits >= most))) return undefined;
    if (this.isBusy) {
      this.lanes.set(key, lane);
      this.waits++;
      await new Promise<void>((resolve) => lane.waiting.push(resolve));
    }
    this.isBusy = true;
    try {
      return await work();
    } finally {
      this.next();
    }
  }

  /** Wakes who is next: the lane that has waited longest for a turn, of those that go first every second time. */
  private next(): void {
    const wanted = !this.wasFirst;
    const [key, lane] = this.find(wanted) ?? this.find(!wanted) ?? [];
    if (key === undefined || !lane) {
      this.isBusy = false;
      return;
    }
    this.wasFirst = lane.isFirst;
    const wake = lane.waiting.shift()!;
    this.waits--;
    // To the end of the line: the map keeps the order in which lanes were put in.
    this.lanes.delete(key);
    if (lane.waiting.length > 0) this.lanes.set(key, lane);
    wake();
  }

  private find(isFirst: boolean): [string, Lane] | undefined {
    for (const entry of this.lanes) if (entry[1].isFirst === isFirst) return entry;
    return undefined;
  }
}
