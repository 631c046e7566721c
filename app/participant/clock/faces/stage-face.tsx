import type { ReactNode } from 'react';
import { isSurprise } from '../../../../core/clock/voice/set-up.ts';
import type { SheetFigures } from '../../../../core/figure/sheet-figure.ts';
import { formatClock } from '../../../../core/words/format-clock.ts';
import type { ClockView } from '../clock-view.ts';
import { comingIn } from '../clock-view.ts';
import { NextFace } from './next-face.tsx';
import { StageFigure } from './stage-figure.tsx';
import { placeWords } from '../clock-words.ts';

interface StageFaceProps {
  readonly view: ClockView;
  readonly cues: readonly string[];
  readonly figures: SheetFigures;
  /** Buttons for a choice that isn't made yet: they stand in place of movement and dose. */
  readonly choice: ReactNode;
  /** Says the number once more. */
  readonly onSay: (number: string) => void;
}

/** What is done now: block, place, movement, dose, rules, list. */
export function StageFace({ view, cues, figures, choice, onSay }: StageFaceProps) {
  const { stage, lines } = view;
  const coming = comingIn(view);
  return (
    <>
      <p className="clock-top">
        <span>{stage.blockName}</span>
        <b>{placeWords(stage)}</b>
      </p>
      <h1>{choice ? 'Your choice' : stage.title}</h1>
      {!choice && !(coming && isSurprise(coming)) && (
        <StageFigure stage={coming ?? stage} figures={figures} isLarge={coming !== undefined || isNew(view)} />
      )}
      {choice ?? (coming ? <NextFace next={coming} /> : <DoseFace view={view} onSay={onSay} />)}
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
            <li key={i} aria-current={view.lineNow === i ? 'step' : undefined}>
              <b>{line.figure}</b>{' '}
              <span>
                {line.name}
                {line.details && <small> {line.details}</small>}
              </span>
            </li>
          ))}
        </ul>
      )}
      {view.said !== '' && (
        <p className="clock-aim">
          <b>{view.said}</b>
        </p>
      )}
      <TimeFace view={view} />
      {cues.length > 0 && (
        <ul className="clock-cues">
          {cues.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      {view.match !== '' && (
        <p className="clock-aim">
          match or beat <b>{view.match}</b>
          {view.pace !== '' && `, ${view.pace}`}
        </p>
      )}
    </>
  );
}

/** A movement is shown large while it begins. */
const BEGINS_SEC = 5;
const isNew = ({ stage, spentSec }: ClockView): boolean => stage.kind === 'work' && spentSec < BEGINS_SEC;

/** How much of it, how, and with which side. */
function DoseFace({ view: { stage, numberNow, side }, onSay }: Pick<StageFaceProps, 'view' | 'onSay'>) {
  const dose = [
    stage.kind === 'work' && numberNow === undefined && stage.figure !== '' ? <b key="f">{stage.figure}</b> : null,
    stage.details,
    side,
  ].filter(Boolean);
  return (
    <>
      <p className="clock-dose">
        {dose.map((part, i) => (
          <span key={i}>{part}</span>
        ))}
      </p>
      {numberNow !== undefined && (
        <p className={`clock-now${numberNow.length > 3 ? ' is-long' : ''}`}>
          <button type="button" aria-label={`${numberNow} now, say it again`} onClick={() => onSay(numberNow)}>
            <b>{numberNow}</b>
          </button>{' '}
          {stage.lines.length > 0 && <span>now</span>}
        </p>
      )}
    </>
  );
}

/** The time: counted down with its bar, or at one's own pace counted up. */
function TimeFace({ view }: { view: ClockView }) {
  const { stage, shownSec, isOwn, doneRatio } = view;
  const { workCapSec, capSec, durationSec } = stage;
  return (
    <>
      <p
        className={`clock-digits${shownSec >= 600 ? ' is-long' : ''}`}
        role="timer"
        aria-label={isOwn ? 'time so far' : 'time left'}
      >
        {formatClock(shownSec)}
      </p>
      {workCapSec !== null && (
        <p className="clock-aim">
          aim to be done by <b>{formatClock(durationSec - workCapSec)}</b> left
        </p>
      )}
      {isOwn ? (
        <p className="clock-aim">
          your own pace
          {capSec !== null && (
            <>
              , at most <b>{formatClock(capSec)}</b>
            </>
          )}
        </p>
      ) : (
        <svg className="clock-bar" viewBox="0 0 320 20" preserveAspectRatio="none" aria-hidden="true">
          <rect x="0" y="5" width="320" height="10" rx="5" className="clock-bar-ground" />
          <rect x="0" y="5" width={320 * doneRatio} height="10" rx="5" className="clock-bar-done" />
          {workCapSec !== null && (
            <line
              x1={(320 * workCapSec) / durationSec}
              x2={(320 * workCapSec) / durationSec}
              y1="0"
              y2="20"
              className="clock-bar-cap"
            />
          )}
        </svg>
      )}
    </>
  );
}
