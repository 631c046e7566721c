/** Places rather than things: part of the plan's kit, but never announced as something to bring. */
export const PLACES: readonly string[] = ['wall', 'floor', 'doorway'];

/** What serves in place of what, either way round: a filled bottle is a light weight (common practice; 1 litre of water is 1 kg). */
const STAND_INS: readonly (readonly string[])[] = [
  ['bottle', 'weight', 'dumbbell', 'kettlebell', 'water bottle', 'rucksack', 'backpack'],
  ['chair', 'bench', 'sturdy chair', 'stool'],
  ['step', 'stair', 'stairs', 'low step', 'bottom stair'],
  ['band', 'resistance band', 'long band'],
  ['rope', 'skipping rope', 'jump rope'],
  ['towel', 'hand towel'],
  ['mat', 'exercise mat', 'yoga mat'],
];

/** `2 bottles`, `a chair`, `1x band` as one thing each: bottle, chair, band. */
export function kitKey(words: string): string {
  const bare = words
    .toLowerCase()
    .trim()
    .replace(/^(?:\d+\s*[x×]?\s*|an?\s+|one\s+|two\s+|some\s+|pairs? of\s+)+/, '')
    .trim();
  if (bare.endsWith('es') && ['bench', 'box'].includes(bare.slice(0, -2))) return bare.slice(0, -2);
  return bare.endsWith('s') && !bare.endsWith('ss') ? bare.slice(0, -1) : bare;
}

/** True where what was announced does for what is needed. */
export function servesAs(announced: string, needed: string): boolean {
  const [a, n] = [kitKey(announced), kitKey(needed)];
  return a === n || STAND_INS.some((group) => group.map(kitKey).includes(a) && group.map(kitKey).includes(n));
}

/** The pieces that movements of a library ask for, places aside, by how many ask. */
export function kitPieces(movements: readonly { readonly kit: readonly string[] }[]): string[] {
  const counts = new Map<string, number>();
  for (const { kit } of movements)
    for (const piece of kit) if (!PLACES.includes(piece)) counts.set(piece, (counts.get(piece) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([piece]) => piece);
}

/** Household things that do, and one that doesn't (common practice). */
export const STAND_IN_WORDS: Readonly<Record<string, string>> = {
  bottle: 'a full bottle or a packed rucksack; 1 litre of water is 1 kg',
  chair: 'sturdy, against a wall; never a sofa',
  step: 'the lowest stair, the whole foot on it; never a sofa',
  band: 'a long band, firmly anchored',
  towel: 'a hand towel',
  rope: 'or turn your hands without one',
  bar: 'a firm bar that bears your weight',
  table: 'one that can’t tip; test it first',
};
