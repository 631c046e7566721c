/** Sessions of a programme, and how many of them are still to write. No days give zeros. */
export function countSessions(days: readonly { readonly text: string }[]): {
  readonly sessions: number;
  readonly toWrite: number;
} {
  return { sessions: days.length, toWrite: days.filter((d) => d.text.trim() === '').length };
}
