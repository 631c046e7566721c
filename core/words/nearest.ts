/** Letters to insert, drop, change or swap with their neighbour to get from `a` to `b`, given up beyond `most`. */
export function editDistance(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let twoAbove: number[] = [];
  let above = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    let least = i;
    for (let j = 1; j <= b.length; j++) {
      const cost = a[i - 1] === b[j - 1] ? 0 : 1;
      let value = Math.min(above[j]! + 1, row[j - 1]! + 1, above[j - 1]! + cost);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        value = Math.min(value, twoAbove[j - 2]! + 1);
      row.push(value);
      if (value < least) least = value;
    }
    if (least > most) return most + 1;
    twoAbove = above;
    above = row;
  }
  return above[b.length]!;
}

/**
 * The spellings nearest to `word`, nearest first, at most `count`. Nothing comes back that differs by
 * more than a third of its letters. Words over 60 characters have no near ones (keeps the cost linear).
 */
export function nearestWords(word: string, known: readonly string[], count = 3): string[] {
  const wanted = word.toLowerCase();
  if (wanted === '' || wanted.length > 60) return [];
  const most = Math.max(1, Math.floor(wanted.length / 3));
  return known
    .map((name) => ({ name, distance: editDistance(wanted, name.toLowerCase(), most) }))
    .filter((x) => x.distance <= most)
    .sort((a, b) => a.distance - b.distance || (a.name < b.name ? -1 : 1))
    .slice(0, count)
    .map((x) => x.name);
}
