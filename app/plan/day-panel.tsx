import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { DayPlace } from '../../core/calendar/day.ts';
import { dayKey, dayName, weekdayName } from '../../core/calendar/day.ts';
import { buildTrackNote } from '../../core/progress/track/track-note.ts';
import type { Theme } from '../../core/progress/programme-document.ts';
import { THEMES } from '../../core/progress/programme-document.ts';
import { makeTrack, recurring } from '../../core/progress/track/make-track.ts';
import { formatLength } from '../../core/session/explain/explain.ts';
import { ReadyPress } from './ready-press.tsx';
import type { SpineDay } from '../shell/spine.tsx';
import { TrackWords } from './track/track-words.tsx';
import type { Plan } from './use-plan.ts';
import { Choice } from '../parts/fields/choice.tsx';

interface DayPanelProps {
  readonly plan: Plan;
  readonly place: DayPlace;
  readonly words: string;
  readonly programmeId: string;
  readonly stored: SpineDay | undefined;
  readonly writePath: string;
  readonly isLocked: boolean;
  readonly onShift: () => void;
  readonly onRetest: () => void;
}

/** One day: what it is, what changed and why, and all that can be done with it. */
export function DayPanel({
  plan,
  place,
  words,
  programmeId,
  stored,
  writePath,
  isLocked,
  onShift,
  onRetest,
}: DayPanelProps) {
  const { programme, tools, propose } = plan;
  const [showsText, setShowsText] = useState(false);
  const day = programme.days.find((d) => d.week === place.week && d.weekday === place.weekday);
  const at = dayName(place, programme.firstWeekday);
  const own = day && tools.planner.of(day.text);
  const note = buildTrackNote(programme, day, tools.book);
  const weekday = weekdayName(place.weekday, programme.firstWeekday);
  const usual = programme.themes[place.weekday];
  const setTheme = (value: string) => {
    if (value === 'none')
      propose([{ kind: 'set-theme', weekday: place.weekday, theme: null }], `no theme on ${weekday}s`);
    else
      propose(
        [{ kind: 'set-day-theme', place, theme: (value || null) as Theme | null }],
        `${at}: ${value || usual || 'no theme'}`,
      );
  };
  const asTrack = makeTrack(programme, place, tools.planner, plan.locked);
  const recurs = recurring(programme, tools.planner, plan.locked).some((r) => dayKey(r.place) === dayKey(place));
  return (
    <section className="day-panel" aria-label="Day">
      <h2>
        {own ? own.title || 'Nothing readable yet' : day ? 'To write' : 'No session'}{' '}
        <span className="soft small">
          {at} · {words}
        </span>
      </h2>
      {day && own && (
        <p className="small">
          {formatLength(own.clockSec)}
          {own.effort !== undefined && ` · effort ${own.effort} · load ${Math.round(own.loadAu!)}`}
          {isLocked && ' · sent, so it stays as it is'}
        </p>
      )}
      {stored && !plan.hasProposal && (
        <div className="panel-tools">
          <ReadyPress programmeId={programmeId} days={[stored]} words={() => 'Mark it ready'} />
        </div>
      )}
      {note && <TrackWords note={note} />}
      <div className="panel-tools">
        {day ? (
          <Link className="button-quiet" to={writePath}>
            {own ? 'Open in Write' : 'Write it'}
          </Link>
        ) : (
          <Button
            htmlType="button"
            onClick={() => propose([{ kind: 'add-day', place }], `a session to write on ${at}`)}
          >
            Put a session here
          </Button>
        )}
        {asTrack && (
          <Button htmlType="button" onClick={() => propose(asTrack.edits, asTrack.words)}>
            {recurs ? `Repeat it every ${weekday}` : 'Make it a track'}
          </Button>
        )}
        {day && !own && programme.tracks.length > 0 && (
          <Choice
            label="Give this day a track"
            value=""
            onChange={(id) => {
              if (id)
                propose(
                  [{ kind: 'join-track', id, places: [place] }],
                  `${programme.tracks.find((t) => t.id === id)?.name ?? id} on ${at}`,
                );
            }}
            options={[
              { value: '', words: 'from a track …' },
              ...programme.tracks.map((t) => ({ value: t.id, words: t.name })),
            ]}
          />
        )}
        {day?.track &&
          !isLocked &&
          (day.track.isPinned ? (
            <Button
              htmlType="button"
              onClick={() => propose([{ kind: 'pin', place, isPinned: false }], `${at} follows its track again`)}
            >
              Follow its track again
            </Button>
          ) : (
            <Button
              htmlType="button"
              onClick={() => propose([{ kind: 'pin', place, isPinned: true }], `${at} kept as it is`)}
            >
              Keep as it is
            </Button>
          ))}
        {day && own && (
          <Button
            type="text"
            size="small"
            className="tool"
            aria-expanded={showsText}
            onClick={() => setShowsText(!showsText)}
          >
            {showsText ? 'hide the text' : 'read the text'}
          </Button>
        )}
      </div>
      {showsText && day && <pre className="day-text">{day.text}</pre>}
      {day && (
        <div className="panel-tools small">
          <label>
            for{' '}
            <Choice
              isQuiet
              label="Theme of this day"
              value={day.theme ?? ''}
              onChange={setTheme}
              options={[
                { value: '', words: usual ? `${usual}, as on all ${weekday}s` : 'no theme' },
                ...THEMES.filter((t) => t !== usual),
                ...(usual ? [{ value: 'none', words: `no theme on ${weekday}s` }] : []),
              ]}
            />
          </label>
          {day.theme && (
            <Button
              type="text"
              size="small"
              className="tool"
              onClick={() =>
                propose(
                  [
                    { kind: 'set-theme', weekday: place.weekday, theme: day.theme! },
                    { kind: 'set-day-theme', place, theme: null },
                  ],
                  `${weekday}s: ${day.theme}`,
                )
              }
            >
              on all {weekday}s
            </Button>
          )}
          {own && (
            <Button type="text" size="small" className="tool" onClick={onRetest}>
              place as a retest
            </Button>
          )}
          <Button type="text" size="small" className="tool" onClick={onShift}>
            move all later days
          </Button>
          {!isLocked && (
            <Button
              type="text"
              size="small"
              className="tool"
              onClick={() =>
                propose([{ kind: 'remove-day', place }], `${own?.title || 'the session'} removed from ${at}`)
              }
            >
              remove
            </Button>
          )}
          {day.track && !isLocked && (
            <Button
              type="text"
              size="small"
              className="tool"
              onClick={() => propose([{ kind: 'leave-track', places: [place] }], `${at} on its own`)}
            >
              out of its track
            </Button>
          )}
        </div>
      )}
    </section>
  );
}
