/** The zone that most people of a programme are in; UTC where there is nobody. */
export function commonZone(people: readonly { readonly timeZone: string }[]): string {
  const counts = new Map<string, number>();
  for (const { timeZone } of people) counts.set(timeZone, (counts.get(timeZone) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0]?.[0] ?? 'UTC';
}
