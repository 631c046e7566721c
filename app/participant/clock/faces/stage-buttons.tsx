import { Link } from 'react-router';
import { formatClock } from '../../../../core/words/format-clock.ts';
import type { PackedRibbon } from '../../../charts/session/pack-ribbon.ts';
import { Ribbon } from '../../../charts/session/ribbon.tsx';
import type { ClockView } from '../clock-view.ts';
import { comingIn } from '../clock-view.ts';
import type { FewerChoice } from '../fewer-choice.ts';
import { tapWords } from '../clock-words.ts';
import type { Clock } from '../use-clock.ts';
import { SoundSwitches } from './sound-switches.tsx';

interface StageButtonsProps {
  readonly view: ClockView;
  readonly clock: Pick<Clock, 'send' | 'goOn' | 'setSheet' | 'heard' | 'hear' | 'hasTempo' | 'logLink' | 'numbers'>;
  readonly ribbon: PackedRibbon;
  /** Whether there is a movement whose shape could be changed. */
  readonly hasShapes: boolean;
  /** Takes fewer repetitions, or more again, from here on. */
  readonly onNumbers: (choice: FewerChoice) => void;
  /** Whether this turn was told not to be over in time. */
  readonly isOver: boolean;
  /** Whether one of them has options to choose from. */
  readonly hasChoice: boolean;
}

/** What comes next, where in the session one is, and what can be pressed. */
export function StageButtons({ view, clock, ribbon, onNumbers, isOver, hasShapes, hasChoice }: StageButtonsProps) {
  const { next, atRatio, isPaused } = view;
  const { send, goOn, setSheet } = clock;
  return (
    <div className="clock-foot">
      {next && !comingIn(view) && (
        <p className="clock-next">
          <span>next</span> {next.nextWords}
        </p>
      )}
      <div className="clock-ribbon">
        <Ribbon layout={ribbon} stretch atRatio={atRatio} />
      </div>
      <OwnButtons view={view} clock={clock} />
      <OverButtons {...{ view, clock, onNumbers, isOver }} />
      <div className="clock-buttons">
        <button type="button" onClick={() => send('back')}>
          back
        </button>
        <button type="button" className="is-main" onClick={() => goOn(isPaused ? 'resume' : 'pause')}>
          {isPaused ? 'go on' : 'pause'}
        </button>
        <button type="button" onClick={() => send('next')}>
          skip
        </button>
      </div>
      <div className="clock-buttons is-two">
        <button type="button" onClick={() => setSheet('shapes')} disabled={!hasShapes}>
          {hasChoice ? 'choose, easier, harder' : 'easier / harder'}
        </button>
        <button
          type="button"
          className="is-hurt"
          disabled={!hasShapes}
          onClick={() => {
            send('pause');
            setSheet('hurt');
          }}
        >
          this hurts
        </button>
      </div>
      {isPaused && (
        <div className="clock-more">
          <SoundSwitches {...clock} />
          <Link to={clock.logLink}>Stop here and log</Link>
        </div>
      )}
    </div>
  );
}

/** Where a turn's work should be over: it isn't, and after two such turns fewer repetitions. */
function OverButtons({
  view: { stage, spentSec },
  clock: {
    send,
    numbers: { fewer, isOffered },
  },
  onNumbers,
  isOver,
}: Pick<StageButtonsProps, 'view' | 'clock' | 'onNumbers' | 'isOver'>) {
  const isDue = stage.overFromSec !== null && spentSec >= stage.overFromSec;
  return (
    <>
      {isOffered && fewer && (
        <button type="button" className="clock-second" onClick={() => onNumbers(fewer)}>
          Fewer from here: {fewer.after} instead of {fewer.before}
        </button>
      )}
      {isDue && (
        <button type="button" className="clock-second" aria-pressed={isOver} onClick={() => send('over')}>
          {isOver ? 'It runs over: noted' : 'Not over yet'}
        </button>
      )}
    </>
  );
}

/** The buttons of this kind of stage: counting, ending, being ready, enough rest, on to the next. */
function OwnButtons({ view, clock: { send, goOn } }: Pick<StageButtonsProps, 'view' | 'clock'>) {
  const { stage, taps, isOwn, enoughInSec } = view;
  return (
    <>
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
      {stage.ends && !stage.offersRound && (
        <button type="button" className="clock-main" onClick={() => send('end')}>
          {stage.ends}
        </button>
      )}
      {stage.offersRound && (
        <div className="clock-taps">
          <button type="button" className="clock-main" onClick={() => send('next')}>
            One round more
          </button>
          <button type="button" className="clock-second" onClick={() => send('end')}>
            {stage.ends}
          </button>
        </div>
      )}
      {stage.kind === 'ready' && !stage.offersRound && (
        <div className="clock-taps">
          <button type="button" className="clock-main" onClick={() => send('next')}>
            Ready
          </button>
          <button type="button" className="clock-second" onClick={() => send('more')}>
            10 s more
          </button>
        </div>
      )}
      {enoughInSec !== undefined && (
        <button type="button" className="clock-second" disabled={enoughInSec > 0} onClick={() => send('next')}>
          {enoughInSec > 0 ? `rest at least ${formatClock(Math.ceil(enoughInSec))} more` : 'Enough rest, go on'}
        </button>
      )}
      {isOwn && (
        <button type="button" className="clock-main" onClick={() => goOn('next')}>
          Done, on to the next
        </button>
      )}
    </>
  );
}
