/** How someone has their sessions in their own calendar. */
export interface OwnCalendar {
  /** The local hour (HH:MM) at which they stand there; null: when they open. */
  readonly at: string | null;
  /** Minutes before it that they are reminded; null: not at all. */
  readonly alarmMin: number | null;
}

/** What can be chosen of `alarmMin`, beside none. */
export const ALARMS_MIN = [0, 10, 30, 60] as const;
