/** The session of a day, as the writer takes it up. */
export interface WriterDay {
  readonly id: number;
  readonly text: string;
  readonly revision: number;
  readonly isReady: boolean;
  readonly isRead: boolean;
  readonly sentNumber: number | null;
  readonly isAsSent: boolean;
}
