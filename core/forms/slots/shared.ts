/**
 * The share of a slot by whose end work should be over where no work cap is written: 50 s of a minute
 * (common practice, no source: "45 s, at most 50 s; if not, take about 2 reps off every station").
 */
export const SLOT_WORK_RATIO = 50 / 60;
