import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Call } from '../../../core/clock/calls.ts';
import { nextToDo } from '../../../core/clock/calls.ts';
import type { Hurt } from '../../../core/clock/follow.ts';
import { blockSpentMs, openQuestion, stageSpentMs, tapsOf, topSetOf } from '../../../core/clock/follow.ts';
import { seenScores } from '../../../core/clock/seen-scores.ts';
import { proposeOutcome, seenWork } from '../../../core/clock/seen-work.ts';
import type { ShapeLadders } from '../../../core/clock/shapes.ts';
import { chosenShapes, shapeAt } from '../../../core/clock/shapes.ts';
import type { Stage } from '../../../core/clock/stage.ts';
import { carriedFigure, isWaiting, sideWords, spokenDose } from '../../../core/clock/stage.ts';
import { CARE_NOTES } from '../../../core/care.ts';
import type { ScoredBlock } from '../../../core/record/scores/score.ts';
import type { ToMatch } from '../../../core/record/scores/to-match.ts';
import { formatClock } from '../../../core/words/format-clock.ts';
import type { PackedRibbon } from '../../charts/session/pack-ribbon.ts';
import { Ribbon } from '../../charts/session/ribbon.tsx';
import { ClockQuestion } from './clock-question.tsx';
import type { ShapePlace } from './clock-sheets.tsx';
import { HurtSheet, ShapeSheet } from './clock-sheets.tsx';
import { placeWords, seenWords, tapWords } from './clock-words.ts';
import { focusHeading } from '../../shell/frame/focus.ts';
import { useCalls } from './use-calls.ts';
import { deliverLog, keepLog, nextMadeAtMs, readKept } from '../base/outbox-store.ts';
import { clockKey, useFollow } from './use-follow.ts';
import { useWakeLock } from './use-wake-lock.ts';

interface ClockScreenProps {
  readonly versionId: number;
  readonly title: string;
  readonly stages: readonly Stage[];
  readonly scored: readonly ScoredBlock[];
  /** What is to be matched or beaten, by block: words of an earlier score. */
  readonly toMatch: ToMatch;
  readonly totalSec: number;
  readonly ribbon: PackedRibbon;
  readonly ladders: ShapeLadders;
  /** Two short lines on how a movement is done, by its name. */
  readonly cues: Readonly<Record<string, readonly string[]>>;
  readonly back: string;
}

/** Calls that are written on the screen for a moment; the others show by what it shows. */
const SHOWN: ReadonlySet<Call['cue']> = new Set(['halfway', 'switch', 'ten', 'work-cap', 'pace']);
/** How long a call stands on the screen. */
const FLASH_MS = 1600;
const SAME_TAP_MS = 350;

/** The clock that a participant follows, read from two metres. */
export function ClockScreen(props: ClockScreenProps) {
  const { versionId, title, scored, toMatch, totalSec, ribbon, ladders, cues, back } = props;
  const [flash, setFlash] = useState('');
  const [sheet, setSheet] = useState<'shapes' | 'hurt' | null>(null);
  const [ended, setEnded] = useState(false);
  const tappedMs = useRef(0);
  const { wake, call, heard, hear } = useCalls();
  const onCall = useCallback(
    ({ cue, words }: Call, stage: Stage) => {
      call(cue, words);
      if (SHOWN.has(cue)) setFlash(words);
      if (cue === 'go' && stage.isLastRound) setFlash('Last round');
      if (cue === 'rest' && stage.hasWater) setFlash('Water');
    },
    [call],
  );
  const {
    state,
    shown: stages,
    now,
    saved,
    send,
    start,
  } = useFollow(props.stages, ladders, clockKey(versionId), onCall);
  useWakeLock(state?.status === 'running');
  // The buttons that started, stopped or ended it are gone: one goes on from what it says now.
  const phase = !state ? 'before' : state.status === 'finished' ? 'after' : 'during';
  const lastPhase = useRef(phase);
  useEffect(() => {
    if (lastPhase.current !== phase) focusHeading();
    lastPhase.current = phase;
  }, [phase]);
  useEffect(() => {
    if (!flash) return;
    const timer = setTimeout(() => setFlash(''), FLASH_MS);
    return () => clearTimeout(timer);
  }, [flash]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (sheet !== null) return;
      if (event.target instanceof HTMLElement && event.target.closest('a, button') && event.key === ' ') return;
      if (event.key === ' ') {
        event.preventDefault();
        send(state?.status === 'paused' ? 'resume' : 'pause');
      } else if (event.key === 'ArrowRight') send('next');
      else if (event.key === 'ArrowLeft') send('back');
      else if (event.key === 'r') send('tap');
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [send, state?.status, sheet]);

  const logLink = useMemo(() => {
    const seen = new URLSearchParams();
    if (state) {
      const ranMs = Object.values(state.spentByBlockMs).reduce((a, b) => a + b, 0);
      seen.set('clock', formatClock(ranMs / 1000));
      for (const [name, value] of Object.entries(seenScores(state, stages, scored))) seen.set(name, value);
      const work = seenWork(state, stages, props.stages);
      const proposed = proposeOutcome(state, work);
      if (proposed) {
        seen.set('outcome', proposed.outcome);
        if (proposed.sharePct !== undefined) seen.set('share', String(proposed.sharePct));
      }
      if (state.hurts.length > 0) seen.set('body', 'hurts');
      if (state.hurts.some((h) => h.did === 'ended')) seen.set('reason', 'sore');
      const ranSec = Object.fromEntries(
        Object.entries(state.spentByBlockMs).map(([b, ms]) => [b, Math.round(ms / 1000)]),
      );
      const chosen = chosenShapes(props.stages, state.changes, ladders);
      seen.set(
        'seen',
        JSON.stringify({ chosen, ranSec, ...(work && { did: work.did, sharePct: proposed?.sharePct }) }),
      );
    }
    return `${back}/log?${seen.toString()}`;
  }, [state, stages, props.stages, scored, back, ladders]);
  // Should the phone be put away now, the log still finds it.
  const isOver = state?.status === 'finished';
  useEffect(() => {
    if (!isOver) return;
    try {
      localStorage.setItem(`${clockKey(versionId)}-log`, logLink.slice(logLink.indexOf('?')));
    } catch {
      // The link on this page has it all the same.
    }
  }, [isOver, logLink, versionId]);

  /** Anywhere on the screen: a wet finger may touch twice, and what comes right after a tap is the same one. */
  const countTap = () => {
    const at = performance.now();
    if (at - tappedMs.current < SAME_TAP_MS) return;
    tappedMs.current = at;
    send('tap');
  };

  const tellHurt = async (hurt: Hurt) => {
    const clientId = crypto.randomUUID();
    const body = new URLSearchParams({
      'client-id': clientId,
      'version-id': String(versionId),
      movement: hurt.movement,
      area: hurt.area,
      did: hurt.did,
      to: hurt.to,
    }).toString();
    const madeAtMs = nextMadeAtMs(Date.now(), await readKept());
    const log = { clientId, url: `${location.origin}${back}/hurt`, body, madeAtMs };
    await keepLog(log);
    await deliverLog(log);
  };

  const soundSwitches = (
    <div className="clock-switches">
      {(['tones', 'voice'] as const).map((what) => (
        <button
          key={what}
          type="button"
          className="clock-sound"
          aria-pressed={heard[what]}
          onClick={() => {
            wake();
            hear({ ...heard, [what]: !heard[what] });
          }}
        >
          {what === 'tones' ? 'Tones' : 'Voice'} {heard[what] ? 'on' : 'off'}
        </button>
      ))}
    </div>
  );
  if (!state) {
    return (
      <main className="clock is-ready">
        <p className="clock-top">
          <span>{title}</span>
          <span>{formatClock(totalSec)}</span>
        </p>
        <h1>{stages.length === 0 ? 'This session has nothing to time' : 'Put the phone where you can see it'}</h1>
        <noscript>
          <p className="clock-note">
            The clock needs JavaScript, which is switched off here. The session can be done from its list, and logged
            without it.
          </p>
        </noscript>
        <p>The clock calls three, two, one, halfway and when to switch sides. At your own pace it waits for a tap.</p>
        <div className="clock-foot">
          {soundSwitches}
          {saved && (
            <button
              type="button"
              className="clock-main"
              onClick={() => {
                wake();
                start(saved);
              }}
            >
              {saved.status === 'finished' ? 'It is done: log it' : 'Go on where you stopped'}
            </button>
          )}
          {stages.length > 0 && (
            <button
              type="button"
              className={saved ? 'clock-second' : 'clock-main'}
              onClick={() => {
                wake();
                start();
              }}
            >
              {saved ? 'From the beginning' : 'Start'}
            </button>
          )}
          <Link className="clock-second" to={back}>
            Back to the session
          </Link>
        </div>
      </main>
    );
  }
  const stage = stages[state.stage];
  if (ended) {
    return (
      <main className="clock is-ready">
        <h1>Enough for today. That was the right thing to do.</h1>
        <p>{CARE_NOTES.stop}</p>
        <p>
          Pain that stays or grows belongs to a clinician. Your coach has been told, or is as soon as there is a
          network.
        </p>
        <div className="clock-foot">
          <Link className="clock-main" to={logLink}>
            Log what you did
          </Link>
          <Link className="clock-second" to={back}>
            Back to the session
          </Link>
        </div>
      </main>
    );
  }
  if (state.status === 'finished' || !stage) {
    return (
      <main className="clock is-ready">
        <p className="clock-top">
          <span>{title}</span>
        </p>
        <h1>That was all of it</h1>
        <p>Water, and a moment to breathe. Then say how it went: it takes two taps.</p>
        <div className="clock-foot">
          <Link className="clock-main" to={logLink}>
            Log it
          </Link>
          <button type="button" className="clock-second" onClick={() => send('back')}>
            Back one step
          </button>
        </div>
      </main>
    );
  }
  const spentSec = stageSpentMs(state, now) / 1000;
  const isOwn = stage.ruledBy === 'own';
  const lengthSec = stage.durationSec + state.extraMs / 1000;
  const taps = tapsOf(state);
  const asked = openQuestion(state, stages);
  const lines = stage.lines.map((line) => ({
    ...line,
    name: line.names ? line.names[taps % line.names.length]! : line.name,
    figure: line.carried ? carriedFigure(line.carried, taps, topSetOf(state, stages)) : line.figure,
  }));
  const numberNow =
    lines.find((line) => line.carried)?.figure ??
    (stage.kind === 'work' && stage.figure !== '' && !stage.figure.includes(':') ? stage.figure : undefined);
  const shownSec = isOwn
    ? stage.capSec !== null || scored.some((s) => s.block === stage.block && s.kind === 'time')
      ? blockSpentMs(state, stages, now) / 1000
      : spentSec
    : Math.max(0, Math.ceil(lengthSec - spentSec - 0.001));
  const doneRatio = Math.min(1, spentSec / Math.max(1, lengthSec));
  const nextStage = nextToDo(stages, state.stage);
  const atRatio =
    totalSec === 0
      ? 0
      : (stage.timelineStartSec + (stage.timelineEndSec - stage.timelineStartSec) * doneRatio) / totalSec;
  const side = stage.kind === 'work' ? sideWords(stage, spentSec) : '';
  const first = toMatch.sameAs[stage.block];
  const seenFirst = first === undefined ? '' : seenWords(seenScores(state, stages, scored), scored, first);
  const matchWords = seenFirst || toMatch.words[stage.block];
  const paused = state.status === 'paused';
  const mark = stage.paceMarks.find((m) => m.atSec > spentSec);
  const places = shapePlaces(props.stages, state.stage, state.changes, ladders);
  const names = stage.kind === 'work' || stage.kind === 'span' ? places.map((p) => p.name) : [];
  const form = names.length === 1 ? (cues[names[0]!] ?? []) : [];
  return (
    <main className={`clock is-running is-${stage.kind}${paused ? ' is-paused' : ''}`}>
      {sheet === 'shapes' && (
        <ShapeSheet
          places={places}
          onClose={() => setSheet(null)}
          onStep={(place, by) => {
            const from = state.stage;
            send({
              kind: 'change',
              change: { kind: 'step', from, block: place?.block ?? null, item: place?.item ?? null, by },
            });
            setSheet(null);
          }}
        />
      )}
      {sheet === 'hurt' && (
        <HurtSheet
          places={places}
          onClose={() => setSheet(null)}
          onHurt={(place, { area, did, to }) => {
            const hurt: Hurt = { block: place.block, movement: place.name, area, did, to };
            const swap = { kind: 'swap', from: state.stage, movement: place.movement } as const;
            if (did !== 'ended') send({ kind: 'change', change: { ...swap, to: did === 'stand-in' ? to : null } });
            send({ kind: 'hurt', hurt });
            void tellHurt(hurt);
            setSheet(null);
            if (did === 'ended') setEnded(true);
            else send('resume');
          }}
        />
      )}
      <div
        className={`clock-body${stage.taps ? ' is-tapped' : ''}`}
        onClick={(event) => {
          // Wet hands hit the screen, not a button: anywhere on it counts.
          if (stage.taps && !paused && !(event.target as Element).closest('button, a, input, .clock-question'))
            countTap();
        }}
      >
        <p className="clock-top">
          <span>{stage.blockName}</span>
          <b>{placeWords(stage)}</b>
        </p>
        <h1>{stage.title}</h1>
        <p className="clock-dose">
          {[
            stage.figure && stage.kind === 'work' && numberNow === undefined ? <b key="f">{stage.figure}</b> : null,
            stage.details,
            side,
          ]
            .filter(Boolean)
            .map((part, i) => (
              <span key={i}>{part}</span>
            ))}
        </p>
        {numberNow !== undefined && (
          <p className={`clock-now${numberNow.length > 3 ? ' is-long' : ''}`}>
            <b>{numberNow}</b> {stage.lines.length > 0 && <span>now</span>}
          </p>
        )}
        {stage.rules.length > 0 && (
          <ul className="clock-rules">
            {stage.rules.map((rule) => (
              <li key={rule}>{rule}</li>
            ))}
          </ul>
        )}
        {lines.length > 0 && (
          <ul className="clock-lines">
            {lines.map((line, i) => (
              <li key={i}>
                <b>{line.figure}</b>{' '}
                <span>
                  {line.name}
                  {line.details && <small> {line.details}</small>}
                </span>
              </li>
            ))}
          </ul>
        )}
        <p
          className={`clock-digits${shownSec >= 600 ? ' is-long' : ''}`}
          role="timer"
          aria-label={isOwn ? 'time so far' : 'time left'}
        >
          {formatClock(Math.floor(shownSec))}
        </p>
        {stage.workCapSec !== null && (
          <p className="clock-aim">
            aim to be done by <b>{formatClock(stage.durationSec - stage.workCapSec)}</b> left
          </p>
        )}
        {isOwn ? (
          <p className="clock-aim">
            your own pace
            {stage.capSec !== null && (
              <>
                , at most <b>{formatClock(stage.capSec)}</b>
              </>
            )}
          </p>
        ) : (
          <svg className="clock-bar" viewBox="0 0 320 20" preserveAspectRatio="none" aria-hidden="true">
            <rect x="0" y="5" width="320" height="10" rx="5" className="clock-bar-ground" />
            <rect x="0" y="5" width={320 * doneRatio} height="10" rx="5" className="clock-bar-done" />
            {stage.workCapSec !== null && (
              <line
                x1={(320 * stage.workCapSec) / stage.durationSec}
                x2={(320 * stage.workCapSec) / stage.durationSec}
                y1="0"
                y2="20"
                className="clock-bar-cap"
              />
            )}
          </svg>
        )}
        {form.length > 0 && (
          <ul className="clock-cues">
            {form.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        )}
        {matchWords && !isWaiting(stage) && stage.kind !== 'rest' && (
          <p className="clock-aim">
            match or beat <b>{matchWords}</b>
            {mark && `, ${mark.words}`}
          </p>
        )}
        {asked !== undefined && (
          <ClockQuestion
            key={asked}
            stage={stages[asked]!}
            taps={tapsOf(state, asked)}
            onAnswer={(value) => send({ kind: 'answer', stage: asked, value })}
          />
        )}
        <p className="clock-flash" role="status">
          {paused ? 'Paused' : flash}
        </p>
        {/* What a voice would say: without it a screen reader does. */}
        <p className="sr" aria-live="assertive">
          {heard.voice ? '' : spokenDose(stage.figure, stage.title, stage.sides)}
        </p>
      </div>
      <div className="clock-foot">
        {nextStage && (
          <p className="clock-next">
            <span>next</span> {nextStage.nextWords}
          </p>
        )}
        <div className="clock-ribbon">
          <Ribbon layout={ribbon} stretch atRatio={Math.min(1, atRatio)} />
        </div>
        {stage.taps && (
          <div className="clock-taps">
            <button type="button" className="clock-main" onClick={() => send('tap')}>
              {tapWords(stage, taps)}
            </button>
            {taps > 0 && (
              <button type="button" className="clock-second" onClick={() => send('untap')}>
                one less
              </button>
            )}
          </div>
        )}
        {stage.ends && (
          <button type="button" className="clock-main" onClick={() => send('end')}>
            {stage.ends}
          </button>
        )}
        {stage.kind === 'ready' && (
          <div className="clock-taps">
            <button type="button" className="clock-main" onClick={() => send('next')}>
              Ready
            </button>
            <button type="button" className="clock-second" onClick={() => send('more')}>
              10 s more
            </button>
          </div>
        )}
        {stage.enoughFromSec !== null && (
          <button
            type="button"
            className="clock-second"
            disabled={spentSec < stage.enoughFromSec}
            onClick={() => send('next')}
          >
            {spentSec < stage.enoughFromSec
              ? `rest at least ${formatClock(Math.ceil(stage.enoughFromSec - spentSec))} more`
              : 'Enough rest, go on'}
          </button>
        )}
        {isOwn && (
          <button
            type="button"
            className="clock-main"
            onClick={() => {
              wake();
              send('next');
            }}
          >
            Done, on to the next
          </button>
        )}
        <div className="clock-buttons">
          <button type="button" onClick={() => send('back')}>
            back
          </button>
          <button
            type="button"
            className="is-main"
            onClick={() => {
              wake();
              send(paused ? 'resume' : 'pause');
            }}
          >
            {paused ? 'go on' : 'pause'}
          </button>
          <button type="button" onClick={() => send('next')}>
            skip
          </button>
        </div>
        <div className="clock-buttons is-two">
          <button type="button" onClick={() => setSheet('shapes')} disabled={places.length === 0}>
            easier / harder
          </button>
          <button
            type="button"
            className="is-hurt"
            disabled={places.length === 0}
            onClick={() => {
              send('pause');
              setSheet('hurt');
            }}
          >
            this hurts
          </button>
        </div>
        {paused && (
          <div className="clock-more">
            {soundSwitches}
            <Link to={logLink}>Stop here and log</Link>
          </div>
        )}
      </div>
    </main>
  );
}

/** What is done now, or was last where it rests, with the shapes that it could take from here. */
function shapePlaces(
  stages: readonly Stage[],
  at: number,
  changes: Parameters<typeof shapeAt>[0],
  ladders: ShapeLadders,
): ShapePlace[] {
  const isDone = (s: Stage) => s.kind !== 'rest' && !isWaiting(s);
  const stage = stages.slice(0, at + 1).findLast(isDone) ?? stages.find(isDone);
  if (!stage) return [];
  const items =
    stage.lines.length > 0 ? stage.lines : stage.item === null ? [] : [{ item: stage.item, movement: stage.movement }];
  return items.flatMap(({ item, movement }): ShapePlace[] => {
    if (movement === '') return [];
    const name = shapeAt(changes, ladders, { stage: at, block: stage.block, item, written: movement });
    if (name === null) return [];
    const ladder = Object.hasOwn(ladders, movement) ? ladders[movement] : undefined;
    const step = ladder ? ladder.names.indexOf(name) : -1;
    return [
      {
        block: stage.block,
        item,
        movement,
        name,
        easier: step > 0 ? ladder!.names[step - 1]! : null,
        harder: step >= 0 ? (ladder!.names[step + 1] ?? null) : null,
        standIns: ladder?.standIns ?? {},
      },
    ];
  });
}
