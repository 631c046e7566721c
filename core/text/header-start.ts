/** Whether a line begins with the name of a part of the session: with more behind it, it may be a header in natural words. */
export const beginsLikeHeader = (line: string): boolean =>
  /^\s*(?:warm-?\s?up|skill|main|finisher|cool-?\s?down)\b/i.test(line);
