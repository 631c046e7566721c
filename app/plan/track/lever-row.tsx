import { Button } from 'antd';
import { useState } from 'react';
import type { NewRounds } from '../../../core/forms/form.ts';
import { newRoundsOf, readLever } from '../../../core/progress/levers/apply-lever.ts';
import type { ReadTrack } from '../../../core/progress/track/build-track.ts';
import {
  dragRule,
  leverStep,
  offsetAt,
  withLighterWeek,
  withScheduleKind,
} from '../../../core/progress/levers/drag-rule.ts';
import { formatSigned, leverName, LEVER_WORDS } from '../../../core/progress/levers/lever.ts';
import { describeSchedule } from '../../../core/progress/week/explain-week.ts';
import type { TrackBook } from '../../../core/progress/edit/regenerate.ts';
import type { LeverRule, ScheduleKind, ScheduleScope } from '../../../core/progress/track/schedule.ts';
import { lighterFor } from '../../../core/progress/track/schedule.ts';
import { layoutLeverLine } from '../charts/lever-line-layout.ts';
import { LeverLine } from '../charts/lever-line.tsx';
import { NumberField } from './number-field.tsx';
import { MOST_SAID_WEEKS, ProgressSentence } from './progress-sentence.tsx';
import { Choice } from '../../parts/fields/choice.tsx';

interface LeverRowProps {
  readonly read: ReadTrack;
  readonly index: number;
  readonly book: TrackBook;
  readonly weeks: number;
  readonly lighter: readonly number[];
  readonly now: number | undefined;
  readonly lengthSec: number;
  readonly onChange: (rule: LeverRule) => void;
  readonly onRemove: () => void;
}

const KIND_NAMES: Record<ScheduleKind, string> = {
  'each-week': 'every week',
  'at-weeks': 'at a week',
  list: 'week by week',
  wave: 'after each lighter week',
  double: 'reps, then load',
  'until-length': 'until a length',
};
const SIZE = { widthPx: 330, heightPx: 50 };
/** What a lever stands at is shown where it is short; else by how much it is pulled. */
const MAX_LABEL = 5;

/** One lever of a track: how it moves, in a sentence, and its way through the weeks. */
export function LeverRow({ read, index, book, weeks, lighter, now, lengthSec, onChange, onRemove }: LeverRowProps) {
  const [isOpen, setOpen] = useState(false);
  const rule = read.track.levers[index]!;
  const { lever, schedule } = rule;
  const scope: ScheduleScope = { lighter, baseReps: read.baseReps[index], mostSteps: read.mostSteps[index] };
  const name = leverName(lever);
  const step = leverStep(lever.kind);
  const newRounds = newRoundsOf(read.document, lever, read.scope.library);
  const base = readLever(read.document, lever, read.scope.library);
  const stands = Array.from(
    { length: weeks },
    (_, i) => readLever(book.week(read.track, i + 1, lighter).document, lever, read.scope.library) ?? '',
  );
  const isShort = stands.every((s) => s.length <= MAX_LABEL);
  const values = stands.map((stand, i) => {
    const value = offsetAt(rule, i + 1, scope);
    return { week: i + 1, value, label: isShort ? stand : formatSigned(value) };
  });
  const kinds = (Object.keys(KIND_NAMES) as ScheduleKind[]).filter(
    (k) => k !== 'double' || (lever.kind === 'reps' && lever.of !== 'list'),
  );
  const setBy = (by: number) => {
    if ('by' in schedule) onChange({ ...rule, schedule: { ...schedule, by } });
  };
  const unit = LEVER_WORDS[lever.kind].units;
  const isSaid = weeks <= MOST_SAID_WEEKS && base !== undefined;
  return (
    <li className="lever" aria-label={name}>
      {isSaid && (
        <ProgressSentence
          rule={rule}
          scope={{ ...scope, document: read.document, library: read.scope.library, weeks }}
          onChange={(next) => onChange({ ...next, lever })}
        />
      )}
      <div className="lever-head" hidden={isSaid && !isOpen}>
        {!isSaid && <b title={base}>{name}</b>}
        <Choice
          label={`How ${name} moves`}
          value={schedule.kind}
          onChange={(kind) =>
            onChange(
              withScheduleKind(rule, kind as ScheduleKind, weeks, {
                ...scope,
                lengthSec,
                targetSec: read.document.targetSec,
              }),
            )
          }
          options={kinds.map((k) => ({ value: k, words: KIND_NAMES[k] }))}
        />
        <span className="lever-numbers">
          {(schedule.kind === 'each-week' || schedule.kind === 'wave' || schedule.kind === 'until-length') && (
            <NumberField
              label={`${name}, ${unit} a week`}
              value={schedule.by}
              step={step}
              onChange={setBy}
              suffix="a week"
            />
          )}
          {schedule.kind === 'wave' && (
            <NumberField
              label={`${name}, ${unit} carried over a lighter week`}
              value={schedule.carry}
              step={step}
              onChange={(carry) => onChange({ ...rule, schedule: { ...schedule, carry } })}
              suffix="after each lighter week"
            />
          )}
          {schedule.kind === 'until-length' && (
            <NumberField
              label={`${name}, until minutes`}
              value={schedule.sec / 60}
              step={1}
              least={1}
              most={360}
              isPlain
              onChange={(min) => onChange({ ...rule, schedule: { ...schedule, sec: min * 60 } })}
              prefix="up to"
              suffix="min"
            />
          )}
          {schedule.kind === 'double' && (
            <>
              <NumberField
                label={`${name}, ceiling`}
                value={schedule.ceiling}
                step={1}
                least={1}
                most={100}
                isPlain
                onChange={(ceiling) => onChange({ ...rule, schedule: { ...schedule, ceiling } })}
                prefix="to"
                suffix="reps,"
              />
              <NumberField
                label="kg more then"
                value={schedule.loadBy}
                step={0.5}
                onChange={(loadBy) => onChange({ ...rule, schedule: { ...schedule, loadBy } })}
                suffix="kg"
              />
            </>
          )}
          {schedule.kind === 'at-weeks' &&
            schedule.steps.map((s, k) => (
              <span key={k} className="lever-step">
                <NumberField
                  label={`${name}, step ${k + 1}, week`}
                  value={s.week}
                  step={1}
                  least={1}
                  most={52}
                  isPlain
                  onChange={(week) =>
                    onChange({
                      ...rule,
                      schedule: {
                        ...schedule,
                        steps: schedule.steps
                          .map((x, j) => (j === k ? { ...x, week } : x))
                          .sort((a, b) => a.week - b.week),
                      },
                    })
                  }
                  prefix="week"
                />
                <NumberField
                  label={`${name}, step ${k + 1}, by`}
                  value={s.by}
                  step={step}
                  onChange={(by) =>
                    onChange({
                      ...rule,
                      schedule: {
                        ...schedule,
                        steps: schedule.steps.map((x, j) => (j === k ? { ...x, by } : x)).filter((x) => x.by !== 0),
                      },
                    })
                  }
                />
              </span>
            ))}
          {schedule.kind !== 'list' && lighter.length > 0 && (
            <NumberField
              label={`${name}, ${unit} in a lighter week`}
              value={rule.lighterBy ?? offsetAt(rule, lighter[0]!, scope)}
              step={step}
              onChange={(lighterBy) => onChange({ ...rule, lighterBy })}
              prefix="lighter"
            />
          )}
        </span>
        {newRounds && (
          <Choice
            label="What a round that is added has"
            value={newRounds}
            onChange={(how) => onChange({ ...rule, lever: { ...lever, newRounds: how as NewRounds } })}
            options={[
              { value: 'go-on', words: 'new rounds: the list goes on' },
              { value: 'as-last', words: 'new rounds: like the last' },
              { value: 'from-first', words: 'new rounds: from the first again' },
            ]}
          />
        )}
        <Button
          type="text"
          size="small"
          className="tool lever-remove"
          aria-label={`Remove ${name}`}
          title={`Remove ${name}`}
          onClick={onRemove}
        >
          remove
        </Button>
      </div>
      {base === undefined ? (
        <p className="plan-off small">The session has nothing that this could change.</p>
      ) : (
        <LeverLine
          layout={layoutLeverLine(values, SIZE)}
          label={name}
          now={now}
          lighter={lighter.filter((l) => l <= weeks)}
          step={step}
          {...(schedule.kind !== 'double' && {
            onChange: (week: number, value: number) => onChange(dragRule(rule, week, value, scope)),
          })}
        />
      )}
      {(isOpen || !isSaid) && schedule.kind !== 'list' && lighter.some((l) => l <= weeks) && (
        <p className="lever-lighter small">
          {lighter
            .filter((l) => l <= weeks)
            .map((week) => {
              const isOff = rule.notLighterIn?.includes(week) ?? false;
              const saysItself = !isOff && lighterFor(rule, [week]).length === 0;
              return saysItself ? (
                <span key={week}>week {week}: its own step, not lighter</span>
              ) : (
                <Button
                  type="link"
                  size="small"
                  key={week}
                  className="link"
                  aria-pressed={isOff}
                  onClick={() => onChange(withLighterWeek(rule, week, isOff))}
                >
                  week {week}: {isOff ? 'lighter again' : 'not lighter here'}
                </Button>
              );
            })}
        </p>
      )}
      {isSaid && (
        <p className="lever-how small">
          <span className="soft">{describeSchedule(rule)}</span>{' '}
          <Button
            type="text"
            size="small"
            className="tool small"
            aria-expanded={isOpen}
            onClick={() => setOpen(!isOpen)}
          >
            {isOpen ? 'less' : 'how it changes'}
          </Button>
        </p>
      )}
    </li>
  );
}
