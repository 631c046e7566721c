import { packLines, unpackLines } from '../parts/packed-lines.ts';
import type { PersonLine } from './person-row.tsx';

/** A list of people as one text. */
export const packPeople = (people: readonly PersonLine[]): string =>
  packLines(
    people.map((p) => [
      p.id,
      p.name,
      p.detail,
      p.timeZone,
      p.address,
      p.fit,
      p.joined,
      Number(p.isWaiting),
      Number(p.isLate),
      Number(p.hasLink),
      Number(p.isClosed),
    ]),
  );

/** The list again. */
export const unpackPeople = (packed: string): PersonLine[] =>
  unpackLines(packed).map(
    ([id, name, detail, timeZone, address, fit, joined, isWaiting, isLate, hasLink, isClosed]) => ({
      id: Number(id),
      name: name!,
      detail: detail!,
      timeZone: timeZone!,
      address: address!,
      fit: fit!,
      joined: joined!,
      isWaiting: isWaiting === '1',
      isLate: isLate === '1',
      hasLink: hasLink === '1',
      isClosed: isClosed === '1',
    }),
  );
