/** `1 round`, `3 rounds`. */
export const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** `a`, `a and b`, `a, b and c`. */
export const listWords = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)!}`;

export const capitalized = (text: string): string => text.replace(/^./, (c) => c.toUpperCase());

/** Whole minutes for speaking about lengths: 39:50 is 40. At least 1 where there is anything at all. */
export const wholeMinutes = (sec: number): number => (sec <= 0 ? 0 : Math.max(1, Math.round(sec / 60)));

/** `20 min`, `9 h 57 min`, `2 h`: for sums over many sessions. */
export function formatHours(sec: number): string {
  const minutes = wholeMinutes(sec);
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  return [...(hours > 0 ? [`${hours} h`] : []), ...(rest > 0 || hours === 0 ? [`${rest} min`] : [])].join(' ');
}

/** `3.8`, `4`: a number to a tenth. */
export const tenth = (value: number): string => String(Math.round(10 * value) / 10);

/** `2`, or `2=` where others share the place. */
export const placeWords = ({ place, isShared }: { readonly place: number; readonly isShared: boolean }): string =>
  `${place}${isShared ? '=' : ''}`;
