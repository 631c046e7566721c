/** Whether the log takes this part of its address for something that the clock saw. */
export const isSeenName = (name: string): boolean =>
  /^(score-\d+(?:\.\d+)?-[\w-]+|rounds-\d+|over-\d+|clock|outcome|share|reason|body|seen)$/.test(name);
