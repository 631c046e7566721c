/** Work that waits for its turn in a lane, and how much of it is under way. */
interface Lane {
  readonly waiting: (() => void)[];
  readonly isFirst: boolean;
  busy: number;
}

export interface FairQueueOptions {
  /** Most that is under way at once, in all and of one lane. */
  readonly atOnce?: number;
  readonly atOnceOfLane?: number;
  /** Most that may wait in one lane, and in all together. */
  readonly mostOfLane: number;
  readonly most: number;
}

/**
 * Little at once, lane by lane in turn: whoever fills a lane keeps only that one waiting. Lanes that go first get every second turn,
 * however many others there are.
 */
export class FairQueue {
  private readonly options: Required<FairQueueOptions>;
  /** Those in which something waits or is under way; who waits longest for a turn stands first. */
  private readonly lanes = new Map<string, Lane>();
  private busy = 0;
  private waits = 0;
  private wasFirst = false;

  constructor(options: FairQueueOptions) {
    this.options = { atOnce: 1, atOnceOfLane: options.atOnce ?? 1, ...options };
  }

  /** Does the work in its turn; undefined where too much waits already. */
  async run<T>(key: string, work: () => Promise<T>, isFirst = false): Promise<T | undefined> {
    const { atOnce, atOnceOfLane, mostOfLane, most } = this.options;
    const lane = this.lanes.get(key) ?? { waiting: [], isFirst, busy: 0 };
    this.lanes.set(key, lane);
    if (this.busy >= atOnce || lane.busy >= atOnceOfLane) {
      if (lane.waiting.length >= mostOfLane || (!isFirst && this.waits >= most)) {
        this.leave(key, lane);
        return undefined;
      }
      this.waits++;
      await new Promise<void>((resolve) => lane.waiting.push(resolve));
    } else {
      this.busy++;
      lane.busy++;
    }
    try {
      return await work();
    } finally {
      this.busy--;
      lane.busy--;
      this.leave(key, lane);
      this.next();
    }
  }

  private leave(key: string, lane: Lane): void {
    if (lane.busy === 0 && lane.waiting.length === 0) this.lanes.delete(key);
  }

  /** Wakes who is next: the lane that has waited longest for a turn, of those that go first every second time. */
  private next(): void {
    const wanted = !this.wasFirst;
    const [key, lane] = this.find(wanted) ?? this.find(!wanted) ?? [];
    if (key === undefined || !lane) return;
    this.wasFirst = lane.isFirst;
    this.waits--;
    this.busy++;
    lane.busy++;
    // To the end of the line: the map keeps the order in which lanes were put in.
    this.lanes.delete(key);
    this.lanes.set(key, lane);
    lane.waiting.shift()!();
  }

  private find(isFirst: boolean): [string, Lane] | undefined {
    for (const entry of this.lanes) {
      const [, lane] = entry;
      if (lane.isFirst === isFirst && lane.waiting.length > 0 && lane.busy < this.options.atOnceOfLane) return entry;
    }
    return undefined;
  }
}
