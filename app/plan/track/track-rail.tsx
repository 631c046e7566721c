import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { weekdayName } from '../../../core/calendar/day.ts';
import type { ReadTrack } from '../../../core/progress/track/build-track.ts';
import { buildTrackWeek } from '../../../core/progress/track/build-track.ts';
import type { LeverOffer } from '../../../core/progress/levers/lever-offers.ts';
import { leverOffers, warnOf } from '../../../core/progress/levers/lever-offers.ts';
import { leverChoices } from '../../../core/progress/levers/lever-choices.ts';
import { usualBy } from '../../../core/progress/levers/apply-lever.ts';
import { leverName } from '../../../core/progress/levers/lever.ts';
import { describeSchedule } from '../../../core/progress/week/explain-week.ts';
import { sayProgress } from '../../../core/progress/track/progress-sentence.ts';
import type { ProgrammeDocument, Track } from '../../../core/progress/programme-document.ts';
import type { LeverRule } from '../../../core/progress/track/schedule.ts';
import type { SchoolId } from '../../../core/progress/track/schools.ts';
import { findSchool, schoolFits, schoolLevers, SCHOOLS } from '../../../core/progress/track/schools.ts';
import type { PlanTools } from '../plan-scope.ts';
import { NextStep } from './next-step.tsx';
import { LeverRow } from './lever-row.tsx';
import { LeverText } from './lever-text.tsx';
import { MOST_SAID_WEEKS, ProgressSentence } from './progress-sentence.tsx';
import type { Propose } from '../use-plan.ts';
import { Choice } from '../../parts/fields/choice.tsx';

interface TrackRailProps {
  readonly programme: ProgrammeDocument;
  readonly read: ReadTrack;
  readonly tools: PlanTools;
  /** The week of the progression that it is now. */
  readonly now: number | undefined;
  readonly propose: Propose;
  readonly onPick: (id: string) => void;
  readonly onEdit: () => void;
}

/** The weekdays that a track's sessions stand on: `Mondays and Thursdays`. */
export function trackDays(programme: ProgrammeDocument, id: string): string {
  const days = [...new Set(programme.days.flatMap((d) => (d.track?.id === id ? [d.weekday] : [])))].sort(
    (a, b) => a - b,
  );
  return days.map((d) => `${weekdayName(d, programme.firstWeekday)}s`).join(' and ') || 'on no day yet';
}

/** A track's progression: its school, and every lever drawn through the weeks as it is changed. */
export function TrackRail({ programme, read, tools, now, propose, onPick, onEdit }: TrackRailProps) {
  const { track } = read;
  const [why, setWhy] = useState(false);
  const [asText, setAsText] = useState(false);
  const school = findSchool(track.school);
  const set = (next: Partial<Track>, words: string, about?: string) =>
    propose([{ kind: 'set-track', track: { ...track, ...next } }], words, about && `${track.id} ${about}`);
  const weeks = Math.max(programme.weeks, ...programme.days.map((d) => d.track?.week ?? 0));
  const { library } = tools.book.scope;
  /** `rounds 5, 5, 5, then 6 in week 4`; by its rule where that needs more than the weeks. */
  const wordsOf = (rule: LeverRule): string =>
    `${leverName(rule.lever)} ${
      weeks > MOST_SAID_WEEKS || ['double', 'until-length'].includes(rule.schedule.kind)
        ? describeSchedule(rule)
        : sayProgress(rule, { lighter: programme.lighter, document: read.document, library, weeks })
    }`;
  const setRule = (i: number, rule: LeverRule) =>
    set(
      { levers: track.levers.map((r, k) => (k === i ? rule : r)) },
      `${track.name}: ${wordsOf(rule)}`,
      leverName(rule.lever),
    );
  const choices = leverChoices(read.document, track.levers, tools.book.scope.library);
  const lengthSec = tools.planner.of(track.text)?.clockSec.likely ?? 0;
  const offers = useMemo(() => leverOffers(read.document, weeks, library), [read, weeks, library]);
  const warning = useMemo(
    () =>
      track.levers.length === 0
        ? ''
        : warnOf((week) => buildTrackWeek(read, week, programme.lighter).document, weeks, library),
    [read, track.levers.length, weeks, programme.lighter, library],
  );
  const take = ({ lever, by }: LeverOffer) => {
    const rule: LeverRule = {
      lever,
      schedule: { kind: 'each-week', by },
      ...(programme.lighter.length > 0 && { lighterBy: 0 }),
    };
    set({ levers: [...track.levers, rule] }, `${track.name}: ${wordsOf(rule)}`, leverName(lever));
  };
  const add = (value: string) => {
    const found = choices.find((c) => leverName(c.lever) === value);
    if (!found) return;
    const { kind } = found.lever;
    const by = usualBy(kind, read.document);
    const rule: LeverRule = {
      lever: found.lever,
      schedule: { kind: 'each-week', by },
      ...(programme.lighter.length > 0 && { lighterBy: kind === 'effort' ? -2 : 0 }),
    };
    set({ levers: [...track.levers, rule] }, `${track.name}: ${wordsOf(rule)}`, leverName(rule.lever));
  };
  const pickSchool = (id: SchoolId) =>
    set(
      { school: id, levers: schoolLevers(id, read.document, tools.book.scope.library) },
      `${track.name}: ${findSchool(id).name.toLowerCase()}`,
      'school',
    );
  return (
    <section className="track-rail" aria-label="Track">
      <h2>
        Track{' '}
        {programme.tracks.length > 1 ? (
          <Choice
            label="Track"
            value={track.id}
            onChange={onPick}
            options={programme.tracks.map((t) => ({ value: t.id, words: t.name }))}
          />
        ) : (
          track.name
        )}
        <span className="soft small"> {trackDays(programme, track.id)}</span>
      </h2>
      <div className="track-school">
        <Choice
          label="Way of progressing"
          value={track.school}
          onChange={(school) => pickSchool(school as SchoolId)}
          options={SCHOOLS.map((s) => ({
            value: s.id,
            words: schoolFits(s, read.document, tools.book.scope.library) ? s.name : `${s.name} (nothing to move here)`,
          }))}
        />
        <Button type="text" size="small" className="tool small" aria-expanded={why} onClick={() => setWhy(!why)}>
          what it is
        </Button>
        <Button type="text" size="small" className="tool small" onClick={onEdit}>
          its session
        </Button>
      </div>
      {why && (
        <div className="school-words">
          <p>{school.means}</p>
          <p>{school.chooseWhen}</p>
          <p>{school.notFor}</p>
          {school.id === 'load' && <NextStep />}
        </div>
      )}
      {read.issues > 0 && (
        <p className="plan-off small">
          {read.issues === 1 ? 'One line' : `${read.issues} lines`} of its session can’t be read.
        </p>
      )}
      <ul className="levers">
        {track.levers.map((rule, i) => (
          <LeverRow
            key={`${leverName(rule.lever)} ${i}`}
            read={read}
            index={i}
            book={tools.book}
            weeks={weeks}
            lighter={programme.lighter}
            now={now}
            lengthSec={lengthSec}
            onChange={(next) => setRule(i, next)}
            onRemove={() =>
              set(
                { levers: track.levers.filter((_, k) => k !== i) },
                `${track.name}: ${leverName(rule.lever)} as written`,
                leverName(rule.lever),
              )
            }
          />
        ))}
      </ul>
      {track.levers.length === 0 && (
        <>
          <p className="soft small">
            {offers.length > 0
              ? 'Every week is as written. Say how it goes on, or take one of these.'
              : 'Every week is as written. Say what changes, or choose a way of progressing.'}
          </p>
          {offers[0] && weeks <= MOST_SAID_WEEKS && (
            <ProgressSentence
              rule={{ lever: offers[0].lever, schedule: { kind: 'at-weeks', steps: [] } }}
              scope={{ lighter: programme.lighter, document: read.document, library, weeks }}
              onChange={(rule) => set({ levers: [rule] }, `${track.name}: ${wordsOf(rule)}`, leverName(rule.lever))}
            />
          )}
          <ul className="lever-offers">
            {offers.map((offer) => (
              <li key={offer.words}>
                <Button color="primary" variant="outlined" size="small" className="offer" onClick={() => take(offer)}>
                  {offer.words}
                </Button>
                {offer.warning !== '' && <span className="plan-off small"> {offer.warning}</span>}
              </li>
            ))}
          </ul>
        </>
      )}
      {warning !== '' && (
        <p className="plan-off small" role="status">
          As it grows: {warning}.
        </p>
      )}
      <div className="lever-more">
        {choices.length > 0 && (
          <Choice
            className="lever-add"
            label="Add what changes"
            value=""
            onChange={add}
            options={[
              { value: '', words: 'add what changes …' },
              ...choices.map((c) => ({
                value: leverName(c.lever),
                words: `${leverName(c.lever)}, now ${c.now.length > 28 ? `${c.now.slice(0, 26)} …` : c.now}`,
              })),
            ]}
          />
        )}
        <Button
          type="text"
          size="small"
          className="tool small"
          aria-expanded={asText}
          onClick={() => setAsText(!asText)}
        >
          as text
        </Button>
      </div>
      {asText && (
        <LeverText
          rules={track.levers}
          onChange={(levers) =>
            set({ levers }, `${track.name}: ${levers.length === 0 ? 'nothing changes' : 'other changes'}`, 'levers')
          }
        />
      )}
    </section>
  );
}
