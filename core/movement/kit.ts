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
  const bare = words.toLowerCase().trim().replace(/^(?:\d+\s*[x×]?\s*|an?\s+|one\s+|two\s+|some\s+|pairs? of\s+)+/, '').trim();
  if (bare.endsWith('es') && ['bench', 'box'].includes(bare.slice(0, -2))) return bare.slice(0, -2);
  return bare.endsWith('s') && !bare.endsWith('ss') ? bare.slice(0, -1) : bare;
}

/** True where what was announced does for what is needed. */
export function servesAs(announced: string, needed: string): boolean {
  const [a, n] = [kitKey(announced), kitKey(needed)];
  return a === n || STAND_INS.some((group) => group.map(kitKey).includes(a) && group.map(kitKey).includes(n));
}
