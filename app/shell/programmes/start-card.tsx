import type { ProgrammeStart } from '../../../server/shell/load-programmes.ts';
import type { WeeksPicture } from '../../../core/progress/week/weeks-picture.ts';
import { sessionsAWeek } from '../../../core/progress/week/weeks-picture.ts';
import { plural } from '../../../core/words/words.ts';
import { WeeksThumb } from '../../plan/charts/weeks-picture.tsx';

/** `8 weeks, 3 sessions a week` */
export const pictureWords = (picture: WeeksPicture): string =>
  `${plural(picture.length, 'week')}, ${sessionsAWeek(picture)} ${sessionsAWeek(picture) === '1' ? 'session' : 'sessions'} a week`;

/** A start with the picture of its weeks. */
export function StartPicture({ start }: { start: ProgrammeStart }) {
  return (
    <>
      {start.picture && <WeeksThumb weeks={start.picture} />}
      <b>{start.title}</b>
      <span className="soft small">
        {[start.picture ? `${pictureWords(start.picture)}.` : '', start.about].filter(Boolean).join(' ')}
      </span>
    </>
  );
}
