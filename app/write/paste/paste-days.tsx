import { Checkbox, Radio, Select } from 'antd';
import type { Weekday } from '../../../core/calendar/day.ts';
import { dayKey, dayName, parseDayKey } from '../../../core/calendar/day.ts';
import type { MovementLibrary } from '../../../core/movement/library.ts';
import type { OwnDay } from '../../../core/notation/own-words/read-plan.ts';
import { plural } from '../../../core/words/words.ts';
import { PlacingWeeks } from './placing-weeks.tsx';
import type { Placing, PlacingDay } from './use-placing.ts';

interface PasteDaysProps {
  readonly days: readonly OwnDay[];
  readonly at: number;
  readonly placing: Placing;
  readonly week: number;
  readonly firstWeekday: Weekday;
  readonly library: MovementLibrary;
  readonly onChoose: (day: number) => void;
}

const headingOf = (day: OwnDay): string => day.heading || 'before the first heading';

/** The days of a plan that holds several: each to be looked at, the weeks they come to, and what is to be decided first. */
export function PasteDays({ days, at, placing, week, firstWeekday, library, onChoose }: PasteDaysProps) {
  return (
    <div className="paste-days">
      <Radio.Group
        aria-label={`${plural(days.length, 'day')} in it; this one is shown below`}
        optionType="button"
        value={at}
        onChange={(event) => onChoose(event.target.value as number)}
        options={days.map((d, i) => ({
          value: i,
          label: `${headingOf(d)}${d.text === '' ? ', nothing to do' : ''}`,
        }))}
      />
      {(placing.days.length > 0 || placing.unnamed.length > 0) && (
        <section aria-label="On the programme" className="placing">
          <ul className="placing-asked">
            {placing.days.map((day) => (
              <PlacingConflict key={day.key} day={day} firstWeekday={firstWeekday} placing={placing} />
            ))}
            {placing.missingWeeks > 0 && (
              <li>
                <Checkbox checked={placing.isLonger} onChange={(event) => placing.setLonger(event.target.checked)}>
                  {`Make the programme longer by ${plural(placing.missingWeeks, 'week')}; it has ${placing.weeks} now`}
                </Checkbox>
              </li>
            )}
            {placing.unnamed.map(({ number, key }) => (
              <li key={number}>
                <span>“{headingOf(days[number]!)}” names no day of the week.</span>
                <PlaceSelect
                  label={`The day for “${headingOf(days[number]!)}”`}
                  weeks={[week, ...(week < placing.weeks ? [week + 1] : [])]}
                  firstWeekday={firstWeekday}
                  value={key}
                  onChoose={(chosen) => placing.setPlace(number, parseDayKey(chosen) ?? null)}
                />
              </li>
            ))}
          </ul>
          <PlacingWeeks placing={placing} firstWeekday={firstWeekday} library={library} />
        </section>
      )}
    </div>
  );
}

/** What a day meets, where that is to be decided or known. */
function PlacingConflict({ day, firstWeekday, placing }: { day: PlacingDay; firstWeekday: Weekday; placing: Placing }) {
  const name = dayName(day, firstWeekday);
  switch (day.conflict) {
    case 'free':
    case 'beyond':
      return null;
    case 'same':
      return <li className="soft">{name} has this session already.</li>;
    case 'sent':
      return <li>{`${name}: “${day.title}” was sent and stays as it is.`}</li>;
    case 'taken':
      return (
        <li>
          <span>{`${name} holds “${day.title || 'a session that can’t be read'}”.`}</span>
          <Radio.Group
            aria-label={`What becomes of ${name}`}
            optionType="button"
            size="small"
            value={day.isWritten ? 'replace' : 'keep'}
            onChange={(event) => placing.setReplaced(day.key, event.target.value === 'replace')}
            options={[
              { value: 'keep', label: 'Leave it' },
              { value: 'replace', label: 'Replace it' },
            ]}
          />
        </li>
      );
  }
}

interface PlaceSelectProps {
  readonly label: string;
  readonly weeks: readonly number[];
  readonly firstWeekday: Weekday;
  readonly value: string | undefined;
  /** Empty where the day is left out again. */
  readonly onChoose: (key: string) => void;
}

function PlaceSelect({ label, weeks, firstWeekday, value, onChoose }: PlaceSelectProps) {
  return (
    <Select
      aria-label={label}
      size="small"
      className="placing-place"
      placeholder="Choose a day"
      allowClear
      value={value}
      onChange={(key?: string) => onChoose(key ?? '')}
      options={weeks.flatMap((week) =>
        [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({
          value: dayKey({ week, weekday }),
          label: dayName({ week, weekday }, firstWeekday),
        })),
      )}
    />
  );
}
