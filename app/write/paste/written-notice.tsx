import { Button } from 'antd';
import { Link } from 'react-router';
import type { Weekday } from '../../../core/calendar/day.ts';
import { dayKey, dayName } from '../../../core/calendar/day.ts';
import { listWords, plural } from '../../../core/words/words.ts';
import type { WritingDays } from './use-written-days.ts';

interface WrittenNoticeProps {
  readonly writing: WritingDays;
  readonly programmeId: string;
  readonly firstWeekday: Weekday;
}

/** What a pasted plan wrote, with its way back. */
export function WrittenNotice({ writing, programmeId, firstWeekday }: WrittenNoticeProps) {
  const { written, problem, isBusy, undo } = writing;
  if (!written) return null;
  const { places, isUndone } = written;
  return (
    <div className="notice" role="status">
      {problem && <p className="bad">{problem}</p>}
      {isUndone ? (
        `Taken back: ${plural(places.length, 'day')} as before.`
      ) : (
        <>
          {`${plural(places.length, 'day')} written: ${listWords(places.map((p) => dayName(p, firstWeekday)))}. `}
          <Button size="small" loading={isBusy} onClick={undo}>
            Undo
          </Button>{' '}
          <Link to={`/programmes/${programmeId}/plan?at=${dayKey(places[0]!)}`}>See it on Plan</Link>
        </>
      )}
    </div>
  );
}
