import { Button, Radio } from 'antd';
import { useState } from 'react';
import type { Weekday } from '../../../core/calendar/day.ts';
import { weekdayName } from '../../../core/calendar/day.ts';
import type { OwnDay } from '../../../core/notation/own-words/read-plan.ts';
import { plural } from '../../../core/words/words.ts';

interface PasteDaysProps {
  readonly days: readonly OwnDay[];
  readonly at: number;
  readonly week: number;
  readonly firstWeekday: Weekday;
  readonly onChoose: (day: number) => void;
  readonly onPutOn: (
    place: { week: number; weekday: number },
    text: string,
  ) => Promise<{ done: boolean; words: string }>;
}

/** The days of a plan that holds several: each to be looked at, and all put on their days in one go. */
export function PasteDays({ days, at, week, firstWeekday, onChoose, onPutOn }: PasteDaysProps) {
  const [told, setTold] = useState<readonly string[]>([]);
  const [isBusy, setIsBusy] = useState(false);
  const first = Math.min(...days.flatMap((d) => d.week ?? []), Infinity);
  // The plan's first week is the one that is being written.
  const weekOf = (day: OwnDay) => (day.week === null ? week : week + day.week - first);
  const placed = days.filter((d) => d.weekday !== null && d.text !== '');
  const nameOf = (day: OwnDay) =>
    `${weekdayName(day.weekday!, firstWeekday)}${placed.some((d) => weekOf(d) !== week) ? ` of week ${weekOf(day)}` : ''}`;
  const putAll = async () => {
    setIsBusy(true);
    const said: string[] = [];
    for (const day of placed) said.push((await onPutOn({ week: weekOf(day), weekday: day.weekday! }, day.text)).words);
    setTold(said);
    setIsBusy(false);
  };
  return (
    <div className="paste-days">
      <Radio.Group
        aria-label={`${plural(days.length, 'day')} in it; this one is taken`}
        optionType="button"
        value={at}
        onChange={(event) => onChoose(event.target.value as number)}
        options={days.map((d, i) => ({
          value: i,
          label: `${d.heading || 'before the first heading'}${d.text === '' ? ', nothing to do' : ''}`,
        }))}
      />
      {placed.length > 1 && (
        <Button loading={isBusy} onClick={() => void putAll()}>
          {`Put all on their days: ${placed.map(nameOf).join(', ')}`}
        </Button>
      )}
      <ul aria-live="polite">
        {told.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </div>
  );
}
