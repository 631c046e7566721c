import { Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import type { DayPlace } from '../../../core/calendar/day.ts';
import { dayName, shortPlace } from '../../../core/calendar/day.ts';
import { analyseText } from '../../../core/session/analyse.ts';
import { formatLength } from '../../../core/session/explain/explain.ts';
import type { Track } from '../../../core/progress/programme-document.ts';
import { findRetests, placeRetest, retestEdit, SCORE_WORDS } from '../../../core/progress/retest.ts';
import { dayKey } from '../../../core/calendar/day.ts';
import { Dialog } from '../../parts/dialog.tsx';
import type { Plan } from '../use-plan.ts';
import type { RunDates } from '../../../core/calendar/release.ts';

/** All sessions from a day on, some days later or earlier. */
export function ShiftDialog({ plan, place, onClose }: { plan: Plan; place: DayPlace; onClose: () => void }) {
  const [days, setDays] = useState(7);
  const outcome =
    Number.isInteger(days) && days !== 0 ? plan.attempt([{ kind: 'shift', from: place, days }]) : undefined;
  return (
    <Dialog
      open
      title={`Move all days from ${dayName(place, plan.programme.firstWeekday)} on`}
      okText="Propose this"
      okDisabled={outcome?.status !== 'changed'}
      onCancel={onClose}
      onOk={() => {
        plan.propose(
          [{ kind: 'shift', from: place, days }],
          `all from ${dayName(place, plan.programme.firstWeekday)} on ${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'} ${days > 0 ? 'later' : 'earlier'}`,
        );
        onClose();
      }}
    >
      <p>
        <label>
          By{' '}
          <Input
            type="number"
            className="short-number"
            autoFocus
            min={-56}
            max={56}
            value={days}
            onChange={(event) => setDays(event.target.valueAsNumber)}
          />{' '}
          days
        </label>{' '}
        <span className="soft small">7 is a week; a minus is earlier</span>
      </p>
      <p className="soft small">The progression goes with the sessions: nothing gets harder by waiting.</p>
      {outcome?.status === 'refused' && (
        <p className="plan-off" role="alert">
          {outcome.message}
        </p>
      )}
    </Dialog>
  );
}

/** The same session at the start, about three weeks on, and at the end, under one name. */
export function RetestDialog({
  plan,
  place,
  run,
  onClose,
}: {
  plan: Plan;
  place: DayPlace;
  run: RunDates;
  onClose: () => void;
}) {
  const { programme, tools, locked } = plan;
  const own = tools.planner.of(programme.days.find((d) => dayKey(d) === dayKey(place))?.text ?? '');
  const [name, setName] = useState(
    own?.retest ??
      (own?.title || 'baseline')
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, ''),
  );
  const [left, setLeft] = useState<readonly string[]>([]);
  const placings = placeRetest(programme, place, { planner: tools.planner, run, locked });
  const places = placings.map((p) => p.place).filter((p) => !left.includes(dayKey(p)));
  const isNamed = /^[\p{L}\p{N}][\p{L}\p{N} -]{0,39}$/u.test(name.trim());
  const open = places.filter((p) => !locked.has(dayKey(p)));
  return (
    <Dialog
      open
      title="Place a retest"
      okText="Propose this"
      okDisabled={!isNamed || open.length === 0}
      onCancel={onClose}
      onOk={() => {
        plan.propose(
          [retestEdit(programme, place, name.trim(), open, tools.planner)],
          `retest ${name.trim()} in ${open.map((p) => `week ${p.week}`).join(', ')}`,
        );
        onClose();
      }}
    >
      <p>
        <label>
          Name <Input value={name} maxLength={40} onChange={(event) => setName(event.target.value)} />
        </label>
        {!isNamed && (
          <span className="field-error" role="alert">
            {' '}
            Letters, digits, blanks and dashes.
          </span>
        )}
      </p>
      <p>
        {own && own.scores.length > 0 ? (
          <>What will be compared: {own.scores.map((s) => `${s.block}, ${SCORE_WORDS[s.score]}`).join('; ')}.</>
        ) : (
          <span className="plan-off">
            This session has no score to compare; give one of its blocks a clock with one, like “amrap 8:00”.
          </span>
        )}
      </p>
      <ul className="plain-list">
        {placings.map(({ place: p, replaces }) => (
          <li key={dayKey(p)}>
            <Checkbox
              checked={!left.includes(dayKey(p))}
              disabled={locked.has(dayKey(p))}
              onChange={(event) =>
                setLeft(event.target.checked ? left.filter((k) => k !== dayKey(p)) : [...left, dayKey(p)])
              }
            >
              {' '}
              {shortPlace(p, programme.firstWeekday)}
              {replaces && <span className="soft"> in place of {replaces}</span>}
              {locked.has(dayKey(p)) && <span className="soft"> sent already</span>}
            </Checkbox>
          </li>
        ))}
      </ul>
      <p className="soft small">About three weeks apart is common practice, no source.</p>
    </Dialog>
  );
}

/** The retests of the programme, each with what it compares. */
export function RetestWords({ plan }: { plan: Plan }) {
  const retests = findRetests(plan.programme, plan.tools.planner);
  if (retests.length === 0) return null;
  return (
    <section className="retests" aria-label="Retests">
      <h2>Retests</h2>
      {retests.map((r) => (
        <p key={r.name} className="small">
          <b>{r.name}</b> {r.places.map((p) => shortPlace(p, plan.programme.firstWeekday)).join(' · ')}. Compared:{' '}
          {r.scores.map((s) => `${s.block}, ${SCORE_WORDS[s.score]}`).join('; ') || 'nothing yet, no block has a score'}
          .
        </p>
      ))}
    </section>
  );
}

/** A track's own session, as in week 1: its levers go on from here. */
export function TrackDialog({ plan, track, onClose }: { plan: Plan; track: Track; onClose: () => void }) {
  const [text, setText] = useState(track.text);
  const [name, setName] = useState(track.name);
  const { library, routines } = plan.tools.book.scope;
  const { issues, plan: session } = analyseText(text, library, routines);
  const used = plan.programme.days.filter((d) => d.track?.id === track.id && !d.track.isPinned).length;
  const isSame = text === track.text && name.trim() === track.name;
  return (
    <Dialog
      open
      wide
      title={`The session of ${track.name}`}
      okText="Propose this"
      okDisabled={isSame || name.trim() === '' || issues.length > 0}
      onCancel={onClose}
      onOk={() => {
        plan.propose(
          [
            {
              kind: 'set-track',
              track: { ...track, name: name.trim(), text: text.endsWith('\n') ? text : `${text}\n` },
            },
          ],
          `the session of ${name.trim()}`,
        );
        onClose();
      }}
    >
      <p>
        <label>
          Name <Input value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
        </label>
      </p>
      <label className="sr" htmlFor="track-text">
        Session
      </label>
      <Input.TextArea
        id="track-text"
        className="track-text"
        rows={18}
        spellCheck={false}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <p className="small" aria-live="polite">
        {issues.length > 0 ? (
          <span className="plan-off">
            Line {issues[0]!.line}: {issues[0]!.message}
          </span>
        ) : (
          <>{formatLength(session.clockSec)} in week 1, before anything changes.</>
        )}
      </p>
      <p className="panel-tools small">
        <span className="soft">
          {used} {used === 1 ? 'session is' : 'sessions are'} written by it.
        </span>
        <Button
          type="text"
          size="small"
          className="tool"
          onClick={() => {
            plan.propose([{ kind: 'remove-track', id: track.id }], `${track.name} no longer a track`);
            onClose();
          }}
        >
          end this track, keep its sessions
        </Button>
      </p>
    </Dialog>
  );
}
